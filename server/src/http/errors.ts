import { Refused } from '@hand-back/core'
import type { ErrorRequestHandler } from 'express'
import type { Logger } from 'pino'
import { z } from 'zod'

/** Turns whatever was thrown into a status and one sentence for people. What is not foreseen is logged, never told. */
export function answerErrors(log: Logger): ErrorRequestHandler {
  return (error, request, response, _next) => {
    const refused = asRefused(error)
    if (refused.status >= 500) log.error({ error, path: request.path }, 'failed')
    if (response.headersSent) {
      response.destroy()
      return
    }
    response.status(refused.status).json({ sentence: refused.message })
  }
}

/** The refusal that says what went wrong. */
export function asRefused(error: unknown): Refused {
  if (error instanceof Refused) return error
  if (error instanceof z.ZodError) return new Refused(firstSentence(error), 422)
  const status = (error as { status?: number }).status
  if (status === 413) return new Refused('That is too large to send.', 413)
  if (status === 400) return new Refused('The request could not be read.', 400)
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
