import {
  addressOf,
  type Call,
  type Chunk,
  type IdsOf,
  PERSON_HEADER,
  plainThroughout,
  problem,
  sayChunk,
} from '@hand-back/core'
import { z } from 'zod'
import { apiUrl } from '../seat.ts'
import { believed, doubt } from './believed.ts'

/** Something could not be done; `message` is a sentence for people. `status` 0: the server was not reached. */
export class Problem extends Error {
  readonly status: number
  constructor(sentence: string, status: number) {
    super(sentence)
    this.status = status
  }
}

const OUT_OF_REACH = 'No connection to school just now. All that is kept is safe; try again in a moment.'

/** The sentence of anything that was thrown. */
export function sentenceOf(error: unknown): string {
  return error instanceof Problem
    ? error.message
    : 'Something went wrong on this device. Reload the page to go on.'
}

/** Whose a request is. Asking who is signed in, and signing in, is nobody's. */
function whose(path: string): Record<string, string> {
  const person = believed()
  return person === undefined || path === '/me' || path.startsWith('/sign-in')
    ? {}
    : { [PERSON_HEADER]: person }
}

/** What a call needs besides itself: the ids of its address, and what is sent. */
type Rest<Path extends string, Sent> = [Sent] extends [undefined]
  ? [IdsOf<Path>] extends [never]
    ? []
    : [ids: Ids<Path>]
  : [ids: Ids<Path>, sent: Sent]
type Ids<Path extends string> = Readonly<Record<IdsOf<Path>, string>>

/** Asks the server, and checks the answer. `query` goes behind the address. Throws `Problem`. */
export async function ask<Path extends string, Sent, Given, Answer>(
  call: Call<Path, Sent, Given, Answer>,
  ...[ids, sent]: Rest<Path, Sent>
): Promise<Answer> {
  return askAt(call, addressOf(call, ids ?? ({} as Ids<Path>)), sent)
}

/** Where what a call answers is to be had by whoever fetches it themselves: pictures, players, links. */
export const urlOf = <Path extends string>(call: Pick<Call<Path>, 'path'>, ids: Ids<Path>): string =>
  apiUrl(addressOf(call, ids))

/** The same at an address that says more than ids do. */
export async function askAt<Answer>(
  { method, answer }: Pick<Call<string, never, never, Answer>, 'method' | 'answer'>,
  path: string,
  sent?: unknown,
): Promise<Answer> {
  const init: RequestInit = { method, headers: whose(path) }
  if (sent !== undefined)
    Object.assign(init, {
      headers: { ...whose(path), 'Content-Type': 'application/json' },
      body: JSON.stringify(plainThroughout(sent)),
    })
  const response = await fetch(apiUrl(path), init).catch(() => {
    throw new Problem(OUT_OF_REACH, 0)
  })
  return readAnswer(answer, response.status, await response.text())
}

/** Asks for a file and saves it under the name that the server gives it. Throws `Problem`. */
export async function saveFile<Path extends string, Sent>(
  call: Call<Path, Sent>,
  ids: Ids<Path>,
  body: Sent,
): Promise<void> {
  const path = addressOf(call, ids)
  const response = await fetch(apiUrl(path), {
    method: 'POST',
    headers: { ...whose(path), 'Content-Type': 'application/json' },
    body: JSON.stringify(plainThroughout(body)),
  }).catch(() => {
    throw new Problem(OUT_OF_REACH, 0)
  })
  if (!response.ok) readAnswer(z.unknown(), response.status, await response.text())
  const named = fileNameIn(response.headers.get('content-disposition') ?? '')
  const link = document.createElement('a')
  link.href = URL.createObjectURL(await response.blob())
  link.download = named ?? 'file'
  link.click()
  URL.revokeObjectURL(link.href)
}

/** The name that a download is to have (RFC 6266): letters beyond ASCII stand in `filename*`, quotes behind a backslash. */
export function fileNameIn(header: string): string | undefined {
  const wide = /filename\*=UTF-8''([^;]+)/i.exec(header)
  if (wide) return decodeURIComponent(wide[1]!)
  const plain = /filename="((?:\\.|[^"\\])*)"/.exec(header)
  return plain?.[1]?.replace(/\\(.)/g, '$1')
}

/** Sends bytes, all of them or a chunk. Throws `Problem`. */
export async function putBytes<Path extends string, Answer>(
  call: Call<Path, unknown, unknown, Answer>,
  ids: Ids<Path>,
  body: Blob,
  chunk?: Chunk,
): Promise<Answer> {
  const path = addressOf(call, ids)
  const headers = { ...whose(path), ...(chunk ? { 'Content-Range': sayChunk(chunk) } : {}) }
  const response = await fetch(apiUrl(path), { method: 'PUT', body, headers }).catch(() => {
    throw new Problem(OUT_OF_REACH, 0)
  })
  return readAnswer(call.answer, response.status, await response.text())
}

/** Sends files, with the passwords that may open them, and tells how far it is, from 0 to 1. Throws `Problem`. */
export function upload<Path extends string, Answer>(
  call: Call<Path, unknown, unknown, Answer>,
  ids: Ids<Path>,
  files: readonly File[],
  onProgress: (part: number) => void,
  passwords: readonly string[] = [],
): Promise<Answer> {
  const path = addressOf(call, ids)
  return new Promise((done, failed) => {
    const request = new XMLHttpRequest()
    request.upload.onprogress = (event) => onProgress(event.lengthComputable ? event.loaded / event.total : 0)
    request.onerror = () => failed(new Problem(OUT_OF_REACH, 0))
    request.onload = () => {
      try {
        done(readAnswer(call.answer, request.status, request.responseText))
      } catch (error) {
        failed(error)
      }
    }
    const form = new FormData()
    // Before the files: they are needed when these arrive.
    for (const password of passwords) form.append('password', password)
    for (const file of files) form.append('file', file)
    request.open('POST', apiUrl(path))
    for (const [name, value] of Object.entries(whose(path))) request.setRequestHeader(name, value)
    request.send(form)
  })
}

/** Fetches a file as it is. Rejects with a `Problem` that says `otherwise` when it cannot be had. */
export async function fetchFile(url: string, otherwise: string): Promise<Blob> {
  const answer = await fetch(url).catch(() => undefined)
  if (!answer?.ok) throw new Problem(otherwise, 0)
  return answer.blob()
}

function readAnswer<T>(answer: z.ZodType<T>, status: number, text: string): T {
  let told: unknown
  try {
    told = text === '' ? undefined : JSON.parse(text)
  } catch {
    throw new Problem(OUT_OF_REACH, 0)
  }
  if (status >= 200 && status < 300) return answer.parse(told)
  if (status === 409 || status === 401) doubt()
  throw new Problem(problem.safeParse(told).data?.sentence ?? OUT_OF_REACH, status)
}
