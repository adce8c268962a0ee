import { parentPort, workerData } from 'node:worker_threads'
import { flatten } from './flatten.ts'

const bytes = await flatten(workerData)
parentPort!.postMessage(bytes, [bytes.buffer as ArrayBuffer])
