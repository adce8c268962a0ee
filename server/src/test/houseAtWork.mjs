// A house of its own whose work never ends, for a test that kills it. It tells which process does the work.
import { register } from 'tsx/esm/api'

register()
const { Workshop } = await import('../work/workshop.ts')
new Workshop('long')
  .call({ script: new URL('./hardWork.ts', import.meta.url), name: 'neverEnds', task: null, seconds: 600 })
  .catch(() => {})
process.send({ at: 'work' })
