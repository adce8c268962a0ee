export { Pictures } from './pictures.ts'
export { formatRoutes } from './routes.ts'
