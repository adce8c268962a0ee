export { inTurn, type Kind } from './inTurn.ts'
export { GaveOut } from './workshop.ts'
