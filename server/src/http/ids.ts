import type { Request } from 'express'
import { z } from 'zod'
import { notHere } from './as.ts'

/** The id in the address under `name`. What is not an id names nothing: 404. */
export function idIn(request: Request, name: string): string {
  const parsed = z.uuid().safeParse(request.params[name])
  if (!parsed.success) throw notHere()
  return parsed.data
}
