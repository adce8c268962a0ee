import { spawnSync } from 'node:child_process'
import { existsSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { Missing } from '../../needs.mjs'
import { newestOf } from './newest.ts'
import { PROJECT } from './project.ts'

export const WEB_ROOT = join(PROJECT, 'web/dist')

/** Builds the interface when a source is newer than what was built. */
export function buildWeb(): void {
  const built = join(WEB_ROOT, 'index.html')
  const sources = ['web/src', 'web/plugins', 'web/public', 'core/src'].map((folder) => join(PROJECT, folder))
  const files = ['web/index.html', 'web/vite.config.ts', 'package-lock.json'].map((file) =>
    join(PROJECT, file),
  )
  if (existsSync(built) && statSync(built).mtimeMs > newestOf(sources, files)) return
  console.log('Building the interface …')
  const done = spawnSync('npx', ['vite', 'build', '--logLevel', 'warn'], {
    cwd: join(PROJECT, 'web'),
    encoding: 'utf8',
  })
  if (done.status !== 0) throw new Missing(`The interface could not be built.\n${done.stdout}${done.stderr}`)
}
