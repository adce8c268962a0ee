export { type MarkedCopy, markedCopies } from './markedCopies.ts'
export { markingRoutes } from './routes.ts'
export { sumsOf } from './sums.ts'
