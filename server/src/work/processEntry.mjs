// The first module of every process that does long work. Those that read PDFs load pdf.js before the
// loader that reads TypeScript is there, which would spend five seconds on its two megabytes.
import { writeFileSync } from 'node:fs'
import os from 'node:os'

const [, , kind, asWritten] = process.argv
if (kind === 'quick') {
  await import('pdfjs-dist/legacy/build/pdf.mjs')
  // Where pdf.js looks for its own worker before it imports one.
  globalThis.pdfjsWorker = await import('pdfjs-dist/legacy/build/pdf.worker.mjs')
}
if (asWritten) (await import('tsx/esm/api')).register()
// Answering people comes before this.
os.setPriority(os.constants.priority.PRIORITY_LOW)

// More bytes than this are not sent but laid in a file: a message takes their memory three times over.
const MOST_SENT = 1_000_000

process.on('message', async ({ script, name, task, outFile }) => {
  try {
    const module = await import(script)
    const answer = await module[name](task, (progress) => process.send({ progress }))
    if (answer instanceof Uint8Array && answer.length > MOST_SENT) {
      writeFileSync(outFile, answer, { mode: 0o600, flag: 'wx' })
      process.send({ outFile })
    } else process.send({ answer })
  } catch (error) {
    process.send({ error: error instanceof Error ? error.message : String(error) })
  }
})
process.on('disconnect', () => process.exit(0))
process.send({ ready: true })
