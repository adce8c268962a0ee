export { fileRoutes } from './routes.ts'
export { sendFile } from './serve.ts'
export { clearBrokenUploads, dropFile, findFile, type StoredFile, storeFile, wholeFile } from './store.ts'
export { takeUploads } from './upload.ts'
