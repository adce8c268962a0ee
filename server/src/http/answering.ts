import { type Call, type IdsOf, nothing, type Person } from '@hand-back/core'
import type { Request, RequestHandler, Response, Router } from 'express'
import { as, whoAsks } from './as.ts'
import { idIn } from './ids.ts'

/**
 * A request as its route gets it: who asks, the ids of the address, and what was sent. That is checked when
 * it is first looked at: a route may refuse before.
 */
export interface Asking<Path extends string, Given> {
  readonly person: Person
  readonly ids: Readonly<Record<IdsOf<Path>, string>>
  readonly sent: Given
  readonly request: Request
  readonly response: Response
}

/**
 * Makes the route of a call: only who may gets in, ids and what was sent are checked, and what `answer`
 * gives travels back. Refuses (404) ids that are none, and (422) what does not fit the call's schema.
 */
export function answering<Path extends string, Sent, Given, Answer>(
  router: Router,
  call: Call<Path, Sent, Given, Answer>,
  answer: (asking: Asking<Path, Given>) => Promise<Answer> | Answer,
): void {
  at(router, call, async (request, response, next) => {
    // Files may be sent to the same address.
    if (request.is('multipart/form-data')) return next()
    const told = await answer(asking(call, request, response))
    if (told === undefined) response.status(204).end()
    else response.status(call.makes ? 201 : 200).json(told)
  })
}

/** Makes the route of a call whose content is no JSON: `handle` reads what comes, or sends what goes, itself. */
export function streamed<Path extends string, Sent, Given, Answer>(
  router: Router,
  call: Call<Path, Sent, Given, Answer>,
  handle: (asking: Asking<Path, Given>) => Promise<void>,
): void {
  at(router, call, (request, response) => handle(asking(call, request, response)))
}

const asking = <Path extends string, Sent, Given, Answer>(
  call: Call<Path, Sent, Given, Answer>,
  request: Request,
  response: Response,
): Asking<Path, Given> => ({
  person: whoAsks(request),
  ids: idsIn(request, call.path),
  get sent() {
    // Where nothing is asked for, whatever was sent is nobody's business.
    return call.request === (nothing as unknown) ? (undefined as Given) : call.request.parse(request.body)
  },
  request,
  response,
})

function at(
  router: Router,
  { method, path, who }: Pick<Call, 'method' | 'path' | 'who'>,
  last: RequestHandler,
) {
  const route = router.route(path)
  const handlers = who === 'everybody' ? [last] : [as(who), last]
  route[method.toLowerCase() as 'get' | 'post' | 'put' | 'patch' | 'delete'](...handlers)
}

function idsIn<Path extends string>(request: Request, path: Path): Record<IdsOf<Path>, string> {
  const names = [...path.matchAll(/:(\w+)/g)].map(([, name]) => name!)
  return Object.fromEntries(names.map((name) => [name, idIn(request, name)])) as Record<IdsOf<Path>, string>
}

/**
 * Does something once the answer is out. A device whose live connection ends asks at once who is signed in:
 * by then it must have the new session, or it would take itself for signed out.
 */
export function afterAnswer(request: Request, act: () => void): void {
  request.res!.once('close', act)
}
