import { type Person, Refused, type Role } from '@hand-back/core'
import type { NextFunction, Request, Response } from 'express'

/** A request of somebody who is signed in. */
export interface Asked extends Request {
  person: Person
}

export const notHere = () => new Refused('There is nothing here for you under this address.', 404)

/** Lets only people of this role pass; `Asked.person` is who it is. */
export function as(role: Role | 'anybody') {
  return (request: Request, _response: Response, next: NextFunction) => {
    const person = (request as Partial<Asked>).person
    if (!person) throw new Refused('Please sign in first.', 401)
    if (role !== 'anybody' && person.role !== role) throw notHere()
    next()
  }
}

/** Who asks. Behind `as` there is always somebody. */
export function whoAsks(request: Request): Person {
  return (request as Asked).person
}
