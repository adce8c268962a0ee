export { type BareTask, barePicture } from './barePicture.ts'
export { sendFile } from './serve.ts'
export { isFilm, isSound, sendFilm, sendSound, storeSound } from './soundAndFilm.ts'
export {
  clearBrokenUploads,
  dropFile,
  findFile,
  nameChunks,
  readFile,
  type StoredFile,
  storeFile,
  tooLarge,
  wholeFile,
} from './store.ts'
export { takeUploads } from './upload.ts'
