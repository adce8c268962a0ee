// The first module of every worker thread: a thread does not inherit the loader that reads TypeScript.
// pdf.js is loaded before that loader is there, which would spend five seconds on its two megabytes.
import { parentPort, workerData } from 'node:worker_threads'
import 'pdfjs-dist/legacy/build/pdf.mjs'
import * as pdfjsWorker from 'pdfjs-dist/legacy/build/pdf.worker.mjs'
import { register } from 'tsx/esm/api'

// Where pdf.js looks for its own worker before it imports one.
globalThis.pdfjsWorker = pdfjsWorker
register()
const module = await import(workerData.script)

parentPort.on('message', async ({ id, name, task }) => {
  try {
    parentPort.postMessage({ id, answer: await module[name](task) })
  } catch (error) {
    parentPort.postMessage({ id, error })
  }
})
