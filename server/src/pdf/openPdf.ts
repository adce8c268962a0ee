import { PDFDocument } from '@cantoo/pdf-lib'

/** Opens a PDF as it was brought in. One that is only restricted by its owner opens with the empty password (ISO 32000-2, 7.6.4). */
export function openPdf(bytes: Uint8Array): Promise<PDFDocument> {
  const options = { updateMetadata: false, throwOnInvalidObject: false }
  return PDFDocument.load(bytes, options).catch((error) => {
    if (!/encrypted/i.test(String(error))) throw error
    return PDFDocument.load(bytes, { ...options, password: '' })
  })
}
