import { spawnSync } from 'node:child_process'

/** The text of a PDF as a program that shares no code with ours reads it. */
export function textOfPdf(pdf: Uint8Array): string {
  const read = spawnSync('pdftotext', ['-layout', '-', '-'], { input: pdf, encoding: 'utf8' })
  if (read.status !== 0) throw new Error(`pdftotext: ${read.stderr}`)
  return read.stdout
}
