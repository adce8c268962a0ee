export { markingRoutes } from './routes.ts'
export { sumsOf } from './sums.ts'
