import { startServer } from './start.ts'

const { DATABASE_URL, PORT = '4400', HOST = '127.0.0.1', SESSION_SECRET, DEMO, WEB_ROOT } = process.env

if (!DATABASE_URL || !SESSION_SECRET || !WEB_ROOT) {
  console.error('DATABASE_URL, SESSION_SECRET and WEB_ROOT must be set; `npm start` does that.')
  process.exit(2)
}

const running = await startServer({
  databaseUrl: DATABASE_URL,
  port: Number(PORT),
  host: HOST,
  secret: SESSION_SECRET,
  demo: DEMO === '1',
  webRoot: WEB_ROOT,
})
console.log(`listening ${running.url}`)

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    // What is under way may finish, but a stuck connection must not keep a machine from shutting down.
    setTimeout(() => process.exit(0), 3000).unref()
    running.stop().then(
      () => process.exit(0),
      () => process.exit(1),
    )
  })
}
