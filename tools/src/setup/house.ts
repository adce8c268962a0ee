import { randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Missing } from '../../needs.mjs'
import { buildWeb } from './buildWeb.ts'
import { type Cluster, isFree, lastingFolder, startCluster } from './cluster.ts'
import { type ServerProcess, startServerProcess } from './serverProcess.ts'

const FIRST_PORT = 4400
const PORTS_TRIED = 50

export interface HouseOptions {
  readonly name: 'demo' | 'school'
  readonly fresh: boolean
  /** Fills an empty database; called before the server starts. */
  readonly furnish?: (databaseUrl: string) => Promise<void>
}

/**
 * Runs the whole house, database and server, until Ctrl-C, and then stops everything it started.
 * When it runs already, says where and starts nothing.
 */
export async function runHouse({ name, fresh, furnish }: HouseOptions): Promise<void> {
  const folder = lastingFolder(name)
  const running = whereItRuns(folder)
  if (running) {
    console.log(`It runs already: ${running}`)
    return
  }
  const port = await choosePort()
  if (fresh) await clear(folder)
  let cluster: Cluster | undefined
  let server: ServerProcess | undefined
  const stopped = new Promise<void>((done) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(signal, () => done())
  })
  try {
    cluster = await startCluster(join(folder, 'db'))
    const databaseUrl = cluster.database('handback')
    await furnish?.(databaseUrl)
    buildWeb()
    server = await startServerProcess({
      databaseUrl,
      port,
      secret: secretIn(folder),
      demo: name === 'demo',
      host: process.env.HOST ?? '127.0.0.1',
    })
    writeFileSync(join(folder, 'running.json'), JSON.stringify({ pid: process.pid, url: server.url }))
    console.log(`Hand Back is at ${server.url}  (Ctrl-C stops it)`)
    await Promise.race([stopped, server.ended])
  } finally {
    await server?.stop()
    cluster?.stop()
    rmSync(join(folder, 'running.json'), { force: true })
  }
  process.exit(0)
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

/** The secret that signs session cookies: made once, so that people stay signed in over a restart. */
function secretIn(folder: string): string {
  mkdirSync(folder, { recursive: true })
  const file = join(folder, 'secret')
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 })
  return readFileSync(file, 'utf8')
}
