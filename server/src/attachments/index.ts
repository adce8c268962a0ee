export { attachmentRoutes } from './routes.ts'
