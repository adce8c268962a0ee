// Property tests take the same cases at every run, so that landing does not hang on luck. `npm run hunt`
// takes other cases each time, and many more of them.
import fc from 'fast-check'

fc.configureGlobal(process.env.HUNT ? { numRuns: Number(process.env.HUNT) } : { seed: 20_261_126 })
