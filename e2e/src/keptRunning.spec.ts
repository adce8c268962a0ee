import { type ChildProcess, spawn, spawnSync } from 'node:child_process'
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createInterface } from 'node:readline'
import { freePort } from '@hand-back/tools/setup/cluster.ts'
import { PROJECT } from '@hand-back/tools/setup/project.ts'
import { expect, test } from '@playwright/test'

// `npm start` as a service manager sees it: real processes, really killed.

const folder = mkdtempSync(join(tmpdir(), 'hand-back-house-'))
chmodSync(folder, 0o755)
const data = join(folder, 'school', 'db', 'data')
let house: ChildProcess | undefined

test.afterAll(() => {
  house?.kill('SIGTERM')
  for (const pid of [serverPid(), databasePid()]) if (pid && runs(pid)) process.kill(pid, 'SIGKILL')
  rmSync(folder, { recursive: true, force: true })
})

/** Starts the house; resolves with its address once it says that it is there. */
async function start(port: number): Promise<string> {
  house = spawn(process.execPath, ['tools/hand-back.mjs', 'start'], {
    cwd: PROJECT,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, DATA_FOLDER: folder, PORT: String(port) },
  })
  for await (const line of createInterface({ input: house.stdout! })) {
    const address = /^Hand Back is at (\S+)/.exec(line)?.[1]
    if (address) return address
  }
  throw new Error('the house ended before it was there')
}

/** Whether a process is there and more than a name that nobody has taken off the list yet. */
function runs(pid: number): boolean {
  try {
    return !/^State:\s+Z/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'))
  } catch {
    return false
  }
}

/** The server is a child of the house. */
function serverPid(): number | undefined {
  const { stdout } = spawnSync('pgrep', ['-P', String(house?.pid), '-f', 'server/dist/main.js'], {
    encoding: 'utf8',
  })
  return Number(stdout.split('\n')[0]) || undefined
}

function databasePid(): number | undefined {
  try {
    return Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0])
  } catch {
    return undefined
  }
}

/** Whether the server answers with what the database knows. */
async function answers(url: string): Promise<boolean> {
  try {
    return (await fetch(`${url}/api/door`)).ok
  } catch {
    return false
  }
}

const comesBack = (url: string) =>
  expect.poll(() => answers(url), { timeout: 40_000, intervals: [200] }).toBe(true)

test('a killed server and a killed database are started again at their places; a killed house leaves no server; told to end, all of it ends', async () => {
  const port = await freePort()
  const url = await start(port)
  await comesBack(url)

  const server = serverPid()!
  process.kill(server, 'SIGKILL')
  await expect.poll(() => serverPid() ?? server, { timeout: 20_000 }).not.toBe(server)
  await comesBack(url)

  const database = databasePid()!
  process.kill(database, 'SIGKILL')
  await expect.poll(() => runs(database)).toBe(false)
  await expect.poll(() => databasePid() ?? database, { timeout: 20_000 }).not.toBe(database)
  await comesBack(url)

  const orphan = serverPid()!
  house!.kill('SIGKILL')
  await expect.poll(() => runs(orphan)).toBe(false)
  expect(await answers(url)).toBe(false)

  // The database that was left is found again.
  await start(port)
  await comesBack(url)
  const ended = new Promise((done) => house!.once('exit', done))
  const [lastServer, lastDatabase] = [serverPid()!, databasePid()!]
  house!.kill('SIGTERM')
  expect(await ended).toBe(0)
  expect([runs(lastServer), runs(lastDatabase)]).toEqual([false, false])
})
