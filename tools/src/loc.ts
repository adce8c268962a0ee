import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { PROJECT } from './setup/project.ts'

const IS_CODE = /\.(ts|tsx|mts|mjs|cjs)$/
const IS_TEST = /\.(test|spec)\.tsx?$|^e2e\/|\/test\//

/** `npm run loc`: lines of code and of tests (without blank lines and comments), and the share of tests. */
export function run(): void {
  const { stdout } = spawnSync('git', ['ls-files'], { cwd: PROJECT, encoding: 'utf8' })
  const parts = new Map<string, { code: number; tests: number }>()
  for (const file of stdout.split('\n').filter((name) => IS_CODE.test(name))) {
    const part = file.includes('/') ? file.slice(0, file.indexOf('/')) : 'root'
    const counted = parts.get(part) ?? { code: 0, tests: 0 }
    counted[IS_TEST.test(file) ? 'tests' : 'code'] += linesOf(readFileSync(join(PROJECT, file), 'utf8'))
    parts.set(part, counted)
  }
  const all = [...parts.values()].reduce((sum, { code, tests }) => ({
    code: sum.code + code,
    tests: sum.tests + tests,
  }))
  for (const [part, { code, tests }] of [...parts, ['all', all] as const]) {
    console.log(`${part.padEnd(8)} ${String(code).padStart(6)} code ${String(tests).padStart(6)} tests`)
  }
  console.log(`tests are ${((100 * all.tests) / (all.code + all.tests)).toFixed(1)} % of all code`)
}

function linesOf(text: string): number {
  return text.split('\n').filter((line) => !/^\s*($|\/\/|\*|\/\*)/.test(line)).length
}
