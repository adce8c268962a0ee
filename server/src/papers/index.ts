export { paperRoutes } from './routes.ts'
export { asSent, nameOfRecipe, type SentFile, sentFile } from './sentFiles.ts'
