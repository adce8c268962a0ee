import { PassThrough, type Readable } from 'node:stream'
import { plain, Refused } from '@hand-back/core'
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
      // A reader that stops early must not end what comes after it in the same request.
      const own = new PassThrough()
      last = last
        .then(() => take(plainName(info.filename), stream.pipe(own), passwords))
        .then((result) => taken.push(result))
        .finally(() => {
          stream.unpipe(own)
          own.destroy()
          stream.resume()
        })
      last.catch(fail)
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

/** The name of a file as it is on the device: browsers write quotes and line ends of a name as %22, %0D and %0A (HTML, 4.10.22.8). */
function plainName(name: string | undefined): string {
  return plain(name ?? 'file')
    .replace(/%22/g, '"')
    .replace(/%0[AD]/gi, ' ')
}
