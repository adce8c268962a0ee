export { type BareTask, barePicture } from './barePicture.ts'
export { sendFile } from './serve.ts'
export { isSound, sendSound, storeSound } from './sound.ts'
export {
  clearBrokenUploads,
  dropFile,
  findFile,
  nameChunks,
  type StoredFile,
  storeFile,
  tooLarge,
  wholeFile,
} from './store.ts'
export { takeUploads } from './upload.ts'
