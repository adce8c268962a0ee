/** The pages of a PDF as a printer prints them, for tests that photograph them. */
export { drawPages } from '../pdf/index.ts'
