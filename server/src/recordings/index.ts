export { recordingRoutes } from './routes.ts'
