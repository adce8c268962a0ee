import { z } from 'zod'
import type { Role } from '../log/layers.ts'

export type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'

/** The names of the ids in an address: `class` in `/classes/:class`. */
export type IdsOf<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | IdsOf<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never

/**
 * One thing that a device can ask of the server. Routes and the client are made of it: the request is
 * checked where it arrives, the answer where it is read. `Sent` is a request before its schema has filled
 * in what may be left out.
 */
export interface Call<Path extends string = string, Sent = unknown, Request = unknown, Answer = unknown> {
  readonly method: Method
  readonly path: Path
  /** Who gets an answer at all: `everybody`, even unknown; `anybody` who is signed in; or one role. */
  readonly who: 'everybody' | 'anybody' | Role
  readonly request: z.ZodType<Request, Sent>
  readonly answer: z.ZodType<Answer>
  /** Something new is there afterwards (201). */
  readonly makes: boolean
  /** What travels is no JSON: files that are sent, bytes that are sent, a file that comes back. */
  readonly stream?: 'files' | 'bytes' | 'file'
}

/** A request or an answer without content. */
export const nothing = z.undefined()
/** What travels as it is, and is no JSON. */
export const bytes = z.unknown()

type Who = Call['who']
type Schema = z.ZodType
type Made<Path extends string, Request extends Schema, Answer extends Schema> = Call<
  Path,
  z.input<Request>,
  z.output<Request>,
  z.output<Answer>
>

const maker =
  (method: Method, makes = false) =>
  <const Path extends string, Request extends Schema, Answer extends Schema>(
    who: Who,
    path: Path,
    request: Request,
    answer: Answer,
  ) =>
    ({ method, who, path, request, answer, makes }) as unknown as Made<Path, Request, Answer>

export const doing = maker('POST')
export const making = maker('POST', true)
export const putting = maker('PUT')
export const changing = maker('PATCH')
export const dropping = maker('DELETE')

/** Asks for something that is there. */
export const reading = <const Path extends string, Answer extends Schema>(
  who: Who,
  path: Path,
  answer: Answer,
) => maker('GET')(who, path, nothing, answer)

/** The same, but what travels is no JSON. */
export const streaming = <Of extends Call>(stream: NonNullable<Call['stream']>, call: Of): Of => ({
  ...call,
  stream,
})

/** The address of a call with its ids. */
export function addressOf<Path extends string>(
  { path }: Pick<Call<Path>, 'path'>,
  ids: Readonly<Record<IdsOf<Path>, string>>,
): string {
  return path.replace(/:(\w+)/g, (_all, name: IdsOf<Path>) => encodeURIComponent(ids[name]))
}
