import { fileTypeFromBuffer } from 'file-type'

/** How far into a file its PDF header may stand (ISO 32000-2, annex C of readers' practice: 1,024 bytes). */
const PDF_HEADER_WITHIN = 1024

/** The media type that the first bytes of a file show; its name is not asked. */
export async function typeOf(start: Buffer): Promise<string> {
  if (start.subarray(0, PDF_HEADER_WITHIN).includes('%PDF-')) return 'application/pdf'
  return (await fileTypeFromBuffer(start))?.mime ?? 'application/octet-stream'
}
