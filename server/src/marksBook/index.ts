export { marksBookRoutes } from './routes.ts'
