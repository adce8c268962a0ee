import { spawnSync } from 'node:child_process'
import { PROJECT } from './setup/project.ts'

const CASES = 2_000

/** `npm run hunt`: the property tests of everything that needs no database, with other cases each time. Words after `--` choose files. */
export function run(options: readonly string[]): void {
  const where =
    options.length > 0
      ? options
      : ['core/src', 'web/src', 'tools/src', 'server/src/work/', 'server/src/files/', 'server/src/pdf/']
  const { status } = spawnSync(
    'npx',
    ['jest', '--maxWorkers=2', '--testTimeout=300000', '--forceExit', ...where],
    {
      cwd: PROJECT,
      stdio: 'inherit',
      env: {
        ...process.env,
        HUNT: String(CASES),
        NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning',
      },
    },
  )
  process.exit(status ?? 1)
}
