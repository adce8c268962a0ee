// The one entry to every command: sees to it that what the command needs is there, then runs it.
// Plain JavaScript without packages, because it runs before any are installed.
import { needs } from './needs.mjs'

const COMMANDS = {
  demo: { needs: ['packages', 'postgresql', 'poppler'], module: './src/demo.ts' },
  start: { needs: ['packages', 'postgresql', 'poppler'], module: './src/school.ts' },
  test: { needs: ['packages', 'postgresql', 'chromium', 'poppler'], module: './src/test.ts' },
  bench: { needs: ['packages', 'postgresql', 'chromium', 'poppler', 'qpdf'], module: './src/bench.ts' },
  screenshots: { needs: ['packages', 'postgresql', 'chromium', 'poppler'], module: './src/screenshots.ts' },
  worksheets: { needs: ['packages', 'chromium'], module: './src/worksheets.ts' },
  hunt: { needs: ['packages'], module: './src/hunt.ts' },
  loc: { needs: ['packages'], module: './src/loc.ts' },
}

const [name, ...options] = process.argv.slice(2)
const command = COMMANDS[name]
if (!command) {
  console.error(`Say one of: ${Object.keys(COMMANDS).join(', ')}.`)
  process.exit(2)
}
try {
  for (const need of command.needs) await needs[need]()
  const { register } = await import('tsx/esm/api')
  register()
  const { run } = await import(command.module)
  await run(options)
} catch (problem) {
  console.error(problem.sentence ?? problem)
  process.exit(1)
}
