import { furnish } from './demo/furnish.ts'
import { runHouse } from './setup/house.ts'

/** `npm run demo`: Saltmarsh School, with everybody in it. `--fresh` starts over. */
export function run(options: readonly string[]): Promise<void> {
  return runHouse({ name: 'demo', fresh: options.includes('--fresh'), furnish })
}
