import { fileId } from '@hand-back/core'
import type { Request } from 'express'
import { z } from 'zod'
import { notHere } from './as.ts'

/** Ids that are made otherwise than all others, by their names in addresses: files are named by what is in them. */
const OTHER_IDS: Readonly<Record<string, z.ZodType<string>>> = { file: fileId }

/** The id in the address under `name`. What is not an id names nothing: 404. */
export function idIn(request: Request, name: string): string {
  const parsed = (OTHER_IDS[name] ?? z.uuid()).safeParse(request.params[name])
  if (!parsed.success) throw notHere()
  return parsed.data
}
