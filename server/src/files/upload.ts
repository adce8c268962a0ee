import type { Readable } from 'node:stream'
import { Refused } from '@hand-back/core'
import busboy from 'busboy'
import type { Request } from 'express'

/**
 * Hands each file of a multipart request to `take`, one after the other, as it arrives, with the
 * passwords that came before it.
 * Returns what `take` returned, in order. Throws `Refused` when there is no file or the request is not one.
 */
export async function takeUploads<Taken>(
  request: Request,
  mostFiles: number,
  take: (name: string, stream: Readable, passwords: readonly string[]) => Promise<Taken>,
): Promise<Taken[]> {
  let form: busboy.Busboy
  try {
    form = busboy({
      headers: request.headers,
      limits: { files: mostFiles, fields: mostFiles, fieldSize: 1000 },
      defParamCharset: 'utf8',
    })
  } catch {
    throw new Refused('A file was expected.', 400)
  }
  const taken: Taken[] = []
  await new Promise<void>((done, failed) => {
    let last: Promise<unknown> = Promise.resolve()
    const fail = (error: unknown) => {
      request.unpipe(form)
      request.resume()
      failed(error)
    }
    const passwords: string[] = []
    form.on('field', (name, value) => {
      if (name === 'password') passwords.push(value)
    })
    form.on('file', (_field, stream, info) => {
      stream.on('error', () => {})
      last = last
        .then(() => take(info.filename ?? 'file', stream, passwords))
        .then((result) => taken.push(result))
      last.catch((error) => {
        stream.resume()
        fail(error)
      })
    })
    form.on('filesLimit', () => fail(new Refused(`Send at most ${mostFiles} files at a time.`, 413)))
    form.on('error', () => fail(new Refused('The upload broke off. Nothing was kept; try again.', 400)))
    form.on('close', () => last.then(() => done(), fail))
    request.on('aborted', () => form.destroy(new Error('aborted')))
    request.pipe(form)
  })
  if (taken.length === 0) throw new Refused('A file was expected.', 400)
  return taken
}
