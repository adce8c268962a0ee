export { type FlattenTask, flatten } from './flatten.ts'
export { Pictures } from './pictures.ts'
export { formatRoutes } from './routes.ts'
