export { inTurn } from './inTurn.ts'
export { GaveOut } from './workshop.ts'
