import { newClassCode } from './people/index.ts'
import { startServer } from './start.ts'

const {
  DATABASE_URL,
  PORT = '4400',
  HOST = '127.0.0.1',
  SESSION_SECRET,
  SETUP_CODE,
  DEMO,
  WEB_ROOT,
  ADDRESS,
  SMTP_URL,
  MAIL_FROM = 'Hand Back <hand-back@localhost>',
} = process.env

if (!DATABASE_URL || !SESSION_SECRET || !WEB_ROOT) {
  console.error('DATABASE_URL, SESSION_SECRET and WEB_ROOT must be set; `npm start` does that.')
  process.exit(2)
}

/** A worksheet being prepared is kept at every rest of the hand: its picture is made after a longer one, in milliseconds. */
const PICTURES_REST = 2000

const running = await startServer({
  databaseUrl: DATABASE_URL,
  port: Number(PORT),
  host: HOST,
  secret: SESSION_SECRET,
  setupCode: setupCode(),
  demo: DEMO === '1',
  picturesRest: PICTURES_REST,
  address: ADDRESS ?? `http://${HOST}:${PORT}`,
  mailServer: SMTP_URL ? { url: SMTP_URL, from: MAIL_FROM } : undefined,
  webRoot: WEB_ROOT,
})
console.log(`listening ${running.url}`)

function end(): void {
  // What is under way may finish, but a stuck connection must not keep a machine from shutting down.
  setTimeout(() => process.exit(0), 3000).unref()
  running.stop().then(
    () => process.exit(0),
    () => process.exit(1),
  )
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, end)
// Whoever started this server as a part of a house has gone.
if (process.channel) process.once('disconnect', end)
process.channel?.unref()

/** On the open network the first visitor must not become the teacher: without a code that was given, one is made and printed. */
function setupCode(): string | undefined {
  if (DEMO === '1') return undefined
  if (SETUP_CODE) return SETUP_CODE
  const made = newClassCode()
  console.log(`Setup code for the first teacher: ${made}`)
  return made
}
