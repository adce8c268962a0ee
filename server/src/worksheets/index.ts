export { bringIn } from './bringIn.ts'
export { makeWorksheet, newestVersion, ownWorksheet, pagesOf } from './queries.ts'
export { worksheetRoutes } from './routes.ts'
