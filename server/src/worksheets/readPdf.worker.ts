import { parentPort, workerData } from 'node:worker_threads'
import { readPdf } from './readPdf.ts'

const { bytes } = workerData as { bytes: Uint8Array }
parentPort!.postMessage(await readPdf(bytes))
