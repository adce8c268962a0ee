import { furnish } from './demo/furnish.ts'
import { beginPretendClass } from './demo/lesson/pretendClass.ts'
import { runHouse } from './setup/house.ts'

/** `npm run demo`: Saltmarsh School, with everybody in it. `--fresh` starts over, `--lesson` lets the class work while one looks. */
export function run(options: readonly string[]): Promise<void> {
  return runHouse({
    name: 'demo',
    fresh: options.includes('--fresh'),
    furnish,
    opened: options.includes('--lesson') ? beginPretendClass : undefined,
  })
}
