export { type FlattenTask, flatten } from './flatten.ts'
export { formatRoutes } from './routes.ts'
