import { type ChildProcess, spawn } from 'node:child_process'
import { appendFileSync } from 'node:fs'
import { createInterface } from 'node:readline'
import { Missing } from '../../needs.mjs'
import { buildServer, SERVER_MAIN } from './buildServer.ts'
import { WEB_ROOT } from './buildWeb.ts'
import { PROJECT } from './project.ts'

export interface ServerProcess {
  readonly url: string
  readonly process: ChildProcess
  /** Fulfilled when it has ended, however. */
  readonly ended: Promise<void>
  stop(): Promise<void>
}

export interface ServerOptions {
  readonly databaseUrl: string
  readonly port: number
  readonly secret: string
  readonly demo: boolean
  readonly host?: string
  /** What the first teacher must type. */
  readonly setupCode?: string | undefined
  /** The file that its log goes to; left out: only warnings are shown. */
  readonly log?: string
}

/** Starts the server in a process of its own and waits until it answers. Throws `Missing` when it ends instead. */
export async function startServerProcess(options: ServerOptions): Promise<ServerProcess> {
  await buildServer()
  const child = spawn(process.execPath, ['--enable-source-maps', SERVER_MAIN], {
    cwd: PROJECT,
    // The channel ends with this process: the server then ends too, and keeps no port.
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
    env: {
      ...process.env,
      DATABASE_URL: options.databaseUrl,
      PORT: String(options.port),
      HOST: options.host ?? '127.0.0.1',
      SESSION_SECRET: options.secret,
      DEMO: options.demo ? '1' : '',
      WEB_ROOT,
      SETUP_CODE: options.setupCode ?? '',
      LOG_LEVEL: process.env.LOG_LEVEL ?? (options.log ? 'info' : 'warn'),
    },
  })
  const ended = new Promise<void>((done) => child.once('exit', () => done()))
  const url = await new Promise<string>((done, failed) => {
    createInterface({ input: child.stdout! }).on('line', (line) => {
      const match = /^listening (\S+)/.exec(line)
      if (match) done(match[1]!)
      else if (options.log && line.startsWith('{')) appendFileSync(options.log, `${line}\n`, { mode: 0o600 })
      else console.log(line)
    })
    void ended.then(() => failed(new Missing('The server ended at once; its message is above.')))
  })
  return {
    url,
    process: child,
    ended,
    async stop() {
      child.kill('SIGTERM')
      await ended
    },
  }
}
