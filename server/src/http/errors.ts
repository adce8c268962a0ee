import { Refused } from '@hand-back/core'
import type { ErrorRequestHandler, Request } from 'express'
import type { Logger } from 'pino'
import { z } from 'zod'
import type { Asked } from './as.ts'

/** Turns whatever was thrown into a status and one sentence for people. What is not foreseen is logged, never told. */
export function answerErrors(log: Logger): ErrorRequestHandler {
  return (error, request, response, _next) => {
    const refused = asRefused(error)
    const about = {
      request: request.id,
      method: request.method,
      route: routeOf(request),
      status: refused.status,
    }
    if (refused.status >= 500) log.error({ ...about, cause: causeOf(error) }, 'failed')
    else log.info({ ...about, person: (request as Partial<Asked>).person?.id }, 'refused')
    if (response.headersSent) {
      response.destroy()
      return
    }
    // What is still being sent is read and dropped: a connection full of it would be reset, and the answer with it.
    request.resume()
    response.status(refused.status).json({ sentence: refused.message })
  }
}

/** The pattern of the address, which names nobody. */
const routeOf = (request: Request): string | undefined =>
  (request.route as { path?: string } | undefined)?.path

interface Cause {
  readonly name: string
  readonly message: string
  readonly code?: string | undefined
  readonly at?: string | undefined
  readonly cause?: Cause | undefined
}

/**
 * What of an error may stand in a log: what kind it is, where, and what caused it. A failed query says
 * which values it was asked with; those are content, and stay out.
 */
export function causeOf(error: unknown, depth = 0): Cause {
  if (!(error instanceof Error)) return { name: 'thrown', message: typeof error }
  const { code, cause } = error as { code?: string; cause?: unknown }
  const query = 'params' in error || 'query' in error
  return {
    name: error.constructor.name,
    message: query ? 'a query failed' : code?.match(/^[0-9A-Z]{5}$/) ? 'the database refused' : error.message,
    code,
    at: error.stack
      ?.split('\n')
      .find((line) => line.includes('hand-back') || line.includes('/src/'))
      ?.trim(),
    ...(cause !== undefined && depth < 3 ? { cause: causeOf(cause, depth + 1) } : {}),
  }
}

/** The refusal that says what went wrong. */
export function asRefused(error: unknown): Refused {
  if (error instanceof Refused) return error
  if (error instanceof z.ZodError) return new Refused(firstSentence(error), 422)
  const status = (error as { status?: number }).status
  if (status === 413) return new Refused('That is too large to send.', 413)
  if (status === 404) return new Refused('There is nothing under this address.', 404)
  if (status !== undefined && status >= 400 && status < 500)
    return new Refused('The request could not be read.', 400)
  return new Refused(
    'Something went wrong at school. Nothing that was kept is lost; try again in a moment.',
    500,
  )
}

// Zod's own wording is for developers; the sentences in core/contract start with a capital and end with a dot.
function firstSentence(error: z.ZodError): string {
  const message = error.issues[0]?.message ?? ''
  return /^[A-Z].*\.$/.test(message) ? message : 'Something in the request is missing or not as it should be.'
}
