// The first module of every process that does long work. Those that read PDFs load pdf.js before the
// loader that reads TypeScript is there, which would spend five seconds on its two megabytes.
import os from 'node:os'
import { register } from 'tsx/esm/api'

if (process.argv[2] === 'quick') {
  await import('pdfjs-dist/legacy/build/pdf.mjs')
  // Where pdf.js looks for its own worker before it imports one.
  globalThis.pdfjsWorker = await import('pdfjs-dist/legacy/build/pdf.worker.mjs')
}
register()
// Answering people comes before this.
os.setPriority(os.constants.priority.PRIORITY_LOW)

process.on('message', async ({ script, name, task }) => {
  try {
    const module = await import(script)
    process.send({ answer: await module[name](task) })
  } catch (error) {
    process.send({ error: error instanceof Error ? error.message : String(error) })
  }
})
process.on('disconnect', () => process.exit(0))
process.send({ ready: true })
