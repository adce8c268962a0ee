export { makeAhead } from './ahead.ts'
export { paperRoutes } from './routes.ts'
export { asSent, nameOfRecipe, type SentFile, sentFile } from './sentFiles.ts'
