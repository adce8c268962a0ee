import { PERSON_HEADER, Refused } from '@hand-back/core'
import type { RequestHandler } from 'express'
import type { Asked } from './as.ts'

/**
 * A tab says who it believes is signed in. When somebody else is by now, in another tab of the same
 * browser, nothing is done in their name that was meant in the other's.
 */
export const samePerson: RequestHandler = (request, _response, next) => {
  const believed = request.get(PERSON_HEADER)
  const { person } = request as Partial<Asked>
  if (believed && person && believed !== person.id)
    throw new Refused('Somebody else is signed in here now.', 409)
  next()
}
