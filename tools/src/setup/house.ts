import { randomInt } from 'node:crypto'
import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Missing } from '../../needs.mjs'
import { buildWeb } from './buildWeb.ts'
import { type Cluster, isFree, lastingFolder, secretIn, startCluster } from './cluster.ts'
import { keepRunning } from './keepRunning.ts'
import { type ServerProcess, startServerProcess } from './serverProcess.ts'

const FIRST_PORT = 4400
const PORTS_TRIED = 50

export interface HouseOptions {
  readonly name: 'demo' | 'school'
  readonly fresh: boolean
  /** Fills an empty database; called before the server starts. */
  readonly furnish?: (databaseUrl: string) => Promise<void>
  /** Called once, when it is open. */
  readonly opened?: ((url: string) => Promise<void>) | undefined
}

/**
 * Runs the whole house, database and server, until Ctrl-C or the service manager ends it, and then stops
 * everything it started. A server or a database that ends by itself is started again. When it runs
 * already, says where and starts nothing.
 */
export async function runHouse({ name, fresh, furnish, opened }: HouseOptions): Promise<void> {
  const folder = lastingFolder(name)
  const running = whereItRuns(folder)
  if (running) {
    console.log(`It runs already: ${running}`)
    return
  }
  const port = await choosePort()
  if (fresh) await clear(folder)
  const stopped = new Promise<void>((done) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => done())
  })
  const place = join(folder, 'db')
  let cluster: Cluster | undefined
  let server: ServerProcess | undefined
  let databasePort: number | undefined
  let told = false
  try {
    cluster = await startCluster(place)
    databasePort = cluster.port
    await furnish?.(cluster.database('handback'))
    buildWeb()
    const watch = setInterval(() => void revive(), LOOKS_EVERY)
    const revive = async () => {
      if (cluster?.runs()) return
      console.log('PostgreSQL ended. It is started again.')
      cluster = await startCluster(place, { port: databasePort }).catch((error) => {
        console.error(error.sentence ?? String(error))
        return cluster
      })
    }
    await keepRunning({
      start: async () => {
        await revive()
        server = await startServerProcess({
          databaseUrl: cluster!.database('handback'),
          port,
          secret: secretIn(folder, 'secret'),
          setupCode: name === 'demo' ? undefined : secretIn(folder, 'setup-code', newSetupCode),
          demo: name === 'demo',
          host: process.env.HOST ?? '127.0.0.1',
          log: join(folder, 'server.log'),
        })
        writeFileSync(join(folder, 'running.json'), JSON.stringify({ pid: process.pid, url: server.url }))
        if (!told) {
          tell(server, name, folder)
          opened?.(server.url).catch((error) => console.error(error))
        }
        told = true
        return server
      },
      stopped,
      pause: (milliseconds) => new Promise((done) => setTimeout(done, milliseconds)),
      now: Date.now,
      say: (sentence) => console.log(sentence),
    })
    clearInterval(watch)
  } finally {
    await server?.stop()
    cluster?.stop()
    rmSync(join(folder, 'running.json'), { force: true })
  }
  process.exit(0)
}

/** How often it is looked whether the database still runs, in milliseconds. */
const LOOKS_EVERY = 2_000

function tell(server: ServerProcess, name: HouseOptions['name'], folder: string): void {
  console.log(`Hand Back is at ${server.url}  (Ctrl-C stops it)`)
  if (name === 'school')
    console.log(`Setup code for the first teacher: ${secretIn(folder, 'setup-code', newSetupCode)}`)
}

/** Eight letters and digits that nobody takes for others. */
function newSetupCode(): string {
  const letters = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'
  const code = Array.from({ length: 8 }, () => letters[randomInt(letters.length)]).join('')
  return `${code.slice(0, 4)}-${code.slice(4)}`
}

async function clear(folder: string): Promise<void> {
  if (existsSync(join(folder, 'db', 'data', 'PG_VERSION'))) (await startCluster(join(folder, 'db'))).stop()
  rmSync(folder, { recursive: true, force: true })
}

function whereItRuns(folder: string): string | undefined {
  const note = join(folder, 'running.json')
  if (!existsSync(note)) return undefined
  const { pid, url } = JSON.parse(readFileSync(note, 'utf8'))
  try {
    process.kill(pid, 0)
    return url
  } catch {
    return undefined
  }
}

/** The port asked for in PORT, or the first free one. Throws `Missing`. */
async function choosePort(): Promise<number> {
  const asked = process.env.PORT
  if (asked) {
    const port = Number(asked)
    if (!Number.isInteger(port) || port < 1 || port > 65535) throw new Missing(`PORT=${asked} is not a port.`)
    if (!(await isFree(port)))
      throw new Missing(`Port ${port} is taken by another program; choose another with PORT=…`)
    return port
  }
  for (let port = FIRST_PORT; port < FIRST_PORT + PORTS_TRIED; port++) if (await isFree(port)) return port
  throw new Missing(
    `Ports ${FIRST_PORT} to ${FIRST_PORT + PORTS_TRIED - 1} are all taken; choose another with PORT=…`,
  )
}
