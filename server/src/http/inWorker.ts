import { Worker } from 'node:worker_threads'

/**
 * Runs heavy work in a thread of its own, so that the server goes on answering. `script` is a module
 * that posts one message: what it made, or `{ refused: sentence }`. Rejects when it takes longer than `seconds`.
 */
export function inWorker<Answer>(script: URL, task: unknown, seconds: number): Promise<Answer> {
  const worker = new Worker(script, {
    workerData: task,
    execArgv: ['--import', import.meta.resolve('tsx')],
    resourceLimits: { maxOldGenerationSizeMb: 2048 },
  })
  return new Promise<Answer>((done, failed) => {
    const timer = setTimeout(() => failed(new Error('took too long')), seconds * 1000)
    worker.once('message', done)
    worker.once('error', failed)
    worker.once('exit', () => failed(new Error('ended without an answer')))
    worker.once('exit', () => clearTimeout(timer))
  }).finally(() => worker.terminate())
}
