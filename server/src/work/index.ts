export { inTurn, type Kind } from './inTurn.ts'
export { GaveOut, Stopped } from './workshop.ts'
