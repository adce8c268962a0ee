export { bringIn } from './bringIn.ts'
export { makeFromFiles, makeWorksheet, versionForCopies } from './keepSheet.ts'
export { newestVersion, ownWorksheet, PAGE_AS_JSON, pagesOf } from './queries.ts'
export { worksheetRoutes } from './routes.ts'
