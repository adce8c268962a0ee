import { CALLS, type NewBoard } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'

/** Opens pages to write on at the front; returns where. Throws `Problem`. */
export async function openBoard(of: NewBoard['of'], lesson?: string): Promise<string> {
  const { handout } = await ask(CALLS.openBoard, {}, { request: crypto.randomUUID(), of })
  void refresh(CALLS.handouts)
  return boardAt(handout, lesson)
}

/** Where a page at the front is; `lesson`: the hand-out that the class works on meanwhile. */
export const boardAt = (board: string, lesson?: string): string =>
  `/handout/${board}/board${lesson === undefined ? '' : `?lesson=${lesson}`}`
