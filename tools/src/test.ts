import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildServer, SERVER_BUILT } from './setup/buildServer.ts'
import { buildWeb } from './setup/buildWeb.ts'
import { type Cluster, startThrowAwayCluster } from './setup/cluster.ts'
import { PROJECT } from './setup/project.ts'

interface Tally {
  readonly passed: number
  readonly failed: number
}

/**
 * `npm test`: types, lint, boundaries, then unit and server tests on a throw-away cluster, then the
 * real interface in a browser. Ends with one line that counts. Words after `--` choose tests by file.
 */
export async function run(options: readonly string[]): Promise<void> {
  const reports = mkdtempSync(join(tmpdir(), 'hand-back-reports-'))
  let cluster: Cluster | undefined
  const stop = () => cluster?.stop()
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => process.exit(1))
  process.once('exit', stop)
  const tallies: Tally[] = [check('types'), check('lint'), check('boundaries')]

  await buildServer()
  cluster = await startThrowAwayCluster()
  const env = {
    ...process.env,
    TEST_CLUSTER: cluster.database('postgres').replace(/\/postgres$/, ''),
    BUILT_SERVER: SERVER_BUILT,
    FORCE_COLOR: '0',
  }
  step('Unit and server tests')
  tallies.push(runJest(join(reports, 'jest.json'), options, env))
  buildWeb()
  step('Browser tests')
  tallies.push(runPlaywright(join(reports, 'playwright.json'), options, env))
  rmSync(reports, { recursive: true, force: true })

  const passed = tallies.reduce((sum, tally) => sum + tally.passed, 0)
  const failed = tallies.reduce((sum, tally) => sum + tally.failed, 0)
  console.log(`\n${passed} passed, ${failed} failed`)
  process.exit(failed === 0 && passed > 0 ? 0 : 1)
}

function step(name: string): void {
  console.log(`\n— ${name}`)
}

/** A check counts as one test. */
function check(script: string): Tally {
  step(script)
  const { status } = spawnSync('npm', ['run', '--silent', script], { cwd: PROJECT, stdio: 'inherit' })
  return status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }
}

function runJest(report: string, options: readonly string[], env: NodeJS.ProcessEnv): Tally {
  const nodeOptions = '--experimental-vm-modules --disable-warning=ExperimentalWarning'
  const words = [
    'jest',
    '--json',
    `--outputFile=${report}`,
    '--maxWorkers=2',
    '--passWithNoTests',
    ...options,
  ]
  const { status } = spawnSync('npx', words, {
    cwd: PROJECT,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...env, NODE_OPTIONS: nodeOptions },
  })
  if (!existsSync(report)) return { passed: 0, failed: 1 }
  const told = JSON.parse(readFileSync(report, 'utf8'))
  // A file that cannot even be loaded has no failed tests but fails.
  const failed = told.numFailedTests + told.numRuntimeErrorTestSuites
  return { passed: told.numPassedTests, failed: status === 0 ? failed : Math.max(1, failed) }
}

function runPlaywright(report: string, options: readonly string[], env: NodeJS.ProcessEnv): Tally {
  const { status } = spawnSync(
    'npx',
    ['playwright', 'test', '-c', 'e2e', '--pass-with-no-tests', ...options],
    {
      cwd: PROJECT,
      stdio: 'inherit',
      env: { ...env, PLAYWRIGHT_JSON_OUTPUT_FILE: report },
    },
  )
  if (!existsSync(report)) return { passed: 0, failed: 1 }
  const { stats, suites } = JSON.parse(readFileSync(report, 'utf8')) as { stats: Stats; suites: Suite[] }
  const unsteady = suites.flatMap(unsteadyIn)
  if (unsteady.length > 0) console.log(`\nUnsteady, passed only when tried again:\n${unsteady.join('\n')}`)
  const passed = stats.expected + stats.flaky
  return { passed, failed: status === 0 ? stats.unexpected : Math.max(1, stats.unexpected) }
}

interface Stats {
  readonly expected: number
  readonly flaky: number
  readonly unexpected: number
}

interface Suite {
  readonly suites?: readonly Suite[]
  readonly specs?: readonly {
    readonly title: string
    readonly file: string
    readonly tests: readonly { readonly status: string }[]
  }[]
}

function unsteadyIn({ suites = [], specs = [] }: Suite): string[] {
  const own = specs.filter(({ tests }) => tests.some(({ status }) => status === 'flaky'))
  return [...own.map(({ file, title }) => `${file}: ${title}`), ...suites.flatMap(unsteadyIn)]
}
