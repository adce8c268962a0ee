import { type ChildProcess, spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'

/** What a process is to do: call the exported function `name` of `script` with `task`. */
export interface Call {
  readonly script: URL
  readonly name: string
  readonly task: unknown
  /** From when it begins. */
  readonly seconds: number
  /** Told how far it has come, as the function tells it to whom it is given as its second argument. */
  readonly onProgress?: ((done: number) => void) | undefined
  /** Nobody wants it any more. */
  readonly signal?: AbortSignal | undefined
}

/** Nobody wanted it any more. */
export class Stopped extends Error {}

/** The work took too long, or more memory than it may: what it was given is to blame, not the house. */
export class GaveOut extends Error {}

/** The most memory that a process may hold, in megabytes, looked at ten times a second; … */
const MOST_HELD = 600
const LOOKS_EVERY = 100
/** … and the most that it may reserve for its data at all: the operating system refuses it more at once. */
const MOST_RESERVED = 4000
const PAGE_BYTES = 4096
/** A process with nothing to do ends after this long, in milliseconds. */
const RESTS = 60_000
const STARTS_WITHIN = 30

/**
 * Starts a program within the limit of memory. It ends with the process that started it, whatever becomes of
 * that (prctl(2), PR_SET_PDEATHSIG): work that never ends would not hear that nobody waits for it.
 */
const WITHIN_LIMITS = `ulimit -d ${MOST_RESERVED * 1024} 2>/dev/null
if command -v setpriv >/dev/null; then exec setpriv --pdeathsig KILL "$@"; fi
exec "$@"`

const SOURCES = new URL('..', import.meta.url).href
/**
 * Where the server lies as plain JavaScript, for tests that run it as it is written: processes that need no loader
 * start in a fraction of the time.
 */
const BUILT = process.env.BUILT_SERVER && pathToFileURL(`${process.env.BUILT_SERVER}/`).href
/** Whether a process needs a loader that reads TypeScript. */
const AS_WRITTEN = import.meta.url.endsWith('.ts') && !BUILT ? ['as-written'] : []

/** What a process runs of a file of the server. */
const runOf = (file: URL): string =>
  BUILT ? file.href.replace(SOURCES, BUILT).replace(/\.(ts|mjs)$/, '.js') : file.href

const entry = fileURLToPath(runOf(new URL('./processEntry.mjs', import.meta.url)))

/**
 * One process that does one call at a time, with limits on time and on the memory of the whole process.
 * When a call breaks a limit the process is killed, and the next call gets a new one.
 */
export class Workshop {
  readonly #kind: string
  #process: Promise<ChildProcess> | undefined
  #rest: NodeJS.Timeout | undefined

  constructor(kind: string) {
    this.#kind = kind
  }

  /** Rejects with what the function threw, with `GaveOut` or with `Stopped`. */
  async call({ script, name, task, seconds, onProgress, signal }: Call): Promise<unknown> {
    if (signal?.aborted) throw new Stopped('nobody wants it')
    clearTimeout(this.#rest)
    this.#process ??= this.#start()
    let child: ChildProcess
    try {
      child = await this.#process
    } catch (error) {
      this.#process = undefined
      throw error
    }
    child.ref()
    child.channel?.ref()
    const outFile = join(tmpdir(), `hand-back-made-${randomUUID()}`)
    try {
      const told = await answerOf(
        child,
        { script: runOf(script), name, task, outFile },
        { seconds, onProgress, signal },
      )
      if (told.error !== undefined) throw new Error(told.error)
      return told.outFile === undefined ? told.answer : new Uint8Array(await readFile(told.outFile))
    } catch (error) {
      if (error instanceof GaveOut || error instanceof Stopped) this.stop()
      throw error
    } finally {
      await rm(outFile, { force: true })
      child.unref()
      child.channel?.unref()
      this.#rest = setTimeout(() => this.stop(), RESTS)
      this.#rest.unref()
    }
  }

  stop(): void {
    const stopping = this.#process
    this.#process = undefined
    stopping?.then(
      (child) => child.kill('SIGKILL'),
      () => {},
    )
  }

  async #start(): Promise<ChildProcess> {
    const child = spawn(
      'sh',
      ['-c', WITHIN_LIMITS, 'sh', process.execPath, entry, this.#kind, ...AS_WRITTEN],
      {
        stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
        serialization: 'advanced',
        // Nothing of what this process knows: neither its secrets nor its loader, which the entry registers when it is time.
        env: surroundings(),
      },
    )
    child.once('exit', () => {
      this.#process = undefined
    })
    await answerOf(child, undefined, { seconds: STARTS_WITHIN })
    return child
  }
}

/** What programs need of their surroundings. */
function surroundings(): NodeJS.ProcessEnv {
  const { PATH, HOME, TMPDIR, LANG, USER } = process.env
  return { PATH, HOME, TMPDIR, LANG, USER }
}

interface Told {
  readonly answer?: unknown
  /** The file in which the bytes that answer lie. */
  readonly outFile?: string
  readonly error?: string
  /** How far it has come: more is told later. */
  readonly progress?: number
}

/** Sends a message, where there is one, and waits for the answer that comes back. */
function answerOf(
  child: ChildProcess,
  message: object | undefined,
  { seconds, onProgress, signal }: Pick<Call, 'seconds' | 'onProgress' | 'signal'>,
): Promise<Told> {
  return new Promise((done, failed) => {
    const timer = setTimeout(() => end(() => failed(new GaveOut('it took too long'))), seconds * 1000)
    const looking = setInterval(() => {
      if (heldBy(child.pid) > MOST_HELD) end(() => failed(new GaveOut('it took too much memory')))
    }, LOOKS_EVERY)
    const end = (then: () => void) => {
      clearTimeout(timer)
      clearInterval(looking)
      child.off('message', heard)
      child.off('exit', ended)
      child.off('error', broke)
      signal?.removeEventListener('abort', stopped)
      then()
    }
    const heard = (told: Told) =>
      told.progress === undefined ? end(() => done(told)) : onProgress?.(told.progress)
    const stopped = () => end(() => failed(new Stopped('nobody wants it')))
    const ended = () => end(() => failed(new GaveOut('it took too much memory')))
    const broke = (error: Error) => end(() => failed(error))
    child.on('message', heard)
    child.once('exit', ended)
    child.once('error', broke)
    signal?.addEventListener('abort', stopped, { once: true })
    if (message) child.send(message, (error) => error && broke(error))
  })
}

/** The memory that a process holds now, in megabytes (proc(5), statm); 0 where the system does not tell. */
function heldBy(pid: number | undefined): number {
  try {
    const [, resident] = readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')
    return (Number(resident) * PAGE_BYTES) / 1024 / 1024
  } catch {
    return 0
  }
}
