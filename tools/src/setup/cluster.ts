import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { chmodSync, chownSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { type AddressInfo, createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { findPostgres, Missing } from '../../needs.mjs'
import { PROJECT } from './project.ts'

/** A PostgreSQL of our own: its data in a folder, listening on loopback and a socket. */
export interface Cluster {
  /** The address of database `name`, which is made when it is not there. */
  database(name: string): string
  stop(): void
}

/** A socket's path may have at most 107 letters. */
const MOST_SOCKET_PATH = 90

/**
 * Starts the cluster in `folder`, making it first when it is not there. One that runs already is used.
 * `settings` are given to the server as `-c name=value`. Throws `Missing` with a sentence.
 */
export async function startCluster(folder: string, settings: readonly string[] = []): Promise<Cluster> {
  const bin = findPostgres()
  if (!bin) throw new Missing('PostgreSQL is missing.')
  const as = whoRunsPostgres()
  mkdirSync(folder, { recursive: true })
  as.own(folder)
  const data = join(folder, 'data')
  if (!existsSync(join(data, 'PG_VERSION'))) {
    rmSync(data, { recursive: true, force: true })
    as.run('make the database', `${bin}/initdb`, [
      '-D',
      data,
      '--auth=trust',
      '--encoding=UTF8',
      '--locale=C.UTF-8',
      '-U',
      'postgres',
    ])
  }
  const running = as.succeeds(`${bin}/pg_ctl`, ['-D', data, 'status'])
  const port = running ? portOf(data) : await freePort()
  if (!running) {
    const socket = socketFolder(folder, as)
    const options = [
      `-p ${port}`,
      `-k ${socket}`,
      '-c listen_addresses=127.0.0.1',
      ...settings.map((setting) => `-c ${setting}`),
    ]
    const log = join(folder, 'postgres.log')
    as.run('start PostgreSQL', `${bin}/pg_ctl`, [
      '-D',
      data,
      '-w',
      '-t',
      '60',
      '-l',
      log,
      '-o',
      options.join(' '),
      'start',
    ])
  }
  const client = (words: string[]) =>
    as.succeeds(`${bin}/psql`, ['-h', '127.0.0.1', '-p', String(port), '-U', 'postgres', '-qAt', ...words])
  return {
    database(name) {
      client(['-d', 'postgres', '-c', `CREATE DATABASE "${name}"`])
      return `postgres://postgres@127.0.0.1:${port}/${name}`
    },
    stop() {
      as.succeeds(`${bin}/pg_ctl`, ['-D', data, '-m', 'fast', '-w', 'stop'])
    },
  }
}

/** A cluster for tests: in a new folder, without care for power cuts, gone when it is stopped. */
export async function startThrowAwayCluster(): Promise<Cluster> {
  const folder = mkdtempSync(join(tmpdir(), 'hand-back-'))
  chmodSync(folder, 0o755)
  const cluster = await startCluster(folder, [
    'fsync=off',
    'synchronous_commit=off',
    'full_page_writes=off',
    'max_connections=200',
  ])
  return {
    ...cluster,
    stop() {
      cluster.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

/**
 * Where data that must last is put: under the project, or, where PostgreSQL's user cannot enter the
 * project's folder, under /var/lib.
 */
export function lastingFolder(name: string): string {
  const inProject = join(PROJECT, '.hand-back', name)
  if (process.getuid?.() !== 0) return inProject
  const enters = spawnSync('runuser', ['-u', 'postgres', '--', 'test', '-x', PROJECT]).status === 0
  const mark = createHash('sha256').update(PROJECT).digest('hex').slice(0, 8)
  return enters ? inProject : join('/var/lib/hand-back', mark, name)
}

/** PostgreSQL refuses to run as root: then Debian's user `postgres` runs it. */
function whoRunsPostgres() {
  const root = process.getuid?.() === 0
  const line = (program: string, words: string[]): [string, string[]] =>
    root ? ['runuser', ['-u', 'postgres', '--', program, ...words]] : [program, words]
  const start = (program: string, words: string[]) =>
    spawnSync(...line(program, words), { cwd: '/', encoding: 'utf8' })
  return {
    own(folder: string) {
      if (!root) return
      const user = idOf('postgres')
      chownSync(folder, user.uid, user.gid)
    },
    succeeds: (program: string, words: string[]) => {
      // What pg_ctl starts keeps its output open: waiting for the end of the output would wait for ever.
      return spawnSync(...line(program, words), { cwd: '/', stdio: 'ignore' }).status === 0
    },
    run(what: string, program: string, words: string[]) {
      const quiet = words.includes('start')
      const done = quiet
        ? spawnSync(...line(program, words), { cwd: '/', stdio: 'ignore' })
        : start(program, words)
      if (done.status !== 0)
        throw new Missing(`Could not ${what}. ${String(done.stderr ?? '').trim()}`.trim())
    },
  }
}

function idOf(user: string): { uid: number; gid: number } {
  const id = (flag: string) => Number(spawnSync('id', [flag, user], { encoding: 'utf8' }).stdout)
  return { uid: id('-u'), gid: id('-g') }
}

function socketFolder(folder: string, as: ReturnType<typeof whoRunsPostgres>): string {
  const mark = createHash('sha256').update(folder).digest('hex').slice(0, 8)
  const socket = folder.length > MOST_SOCKET_PATH ? join(tmpdir(), `hand-back-${mark}`) : folder
  mkdirSync(socket, { recursive: true })
  as.own(socket)
  return socket
}

function portOf(data: string): number {
  return Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[3])
}

/** A loopback port that nobody uses now. */
export function freePort(): Promise<number> {
  return new Promise((done, failed) => {
    const probe = createServer()
    probe.once('error', failed)
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo
      probe.close(() => done(port))
    })
  })
}

/** Whether a loopback port can be taken. */
export function isFree(port: number): Promise<boolean> {
  return new Promise((done) => {
    const probe = createServer()
    probe.once('error', () => done(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => done(true)))
  })
}
