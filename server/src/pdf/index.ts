export { MarkWriter } from './drawMarks.ts'
export { drawOver } from './drawOver.ts'
export { measure } from './fonts.ts'
export { Originals } from './originals.ts'
