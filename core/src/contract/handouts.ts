import { z } from 'zod'
import { COPY_STATES } from '../handout/state.ts'
import { worksheetPage } from '../worksheet/page.ts'

export const copyState = z.enum(COPY_STATES)

export const newHandout = z.object({
  /** Made by the device: pressing the button twice hands out once. */
  request: z.uuid(),
  worksheet: z.uuid(),
  class: z.uuid(),
  /** Left out: the whole class. */
  students: z.array(z.uuid()).max(1000).optional(),
  dueAt: z.number().int().min(0).max(8.64e15).nullable(),
  instructions: z.string().trim().max(2000, 'Instructions have at most 2,000 letters.'),
})
export type NewHandout = z.infer<typeof newHandout>

/** A copy as a row of the hand-out, for its teacher. */
export const copyRow = z.object({
  id: z.uuid(),
  student: z.object({ id: z.uuid(), name: z.string() }),
  state: copyState,
  round: z.number(),
  markingBegan: z.boolean(),
  handedInAt: z.number().nullable(),
})
export type CopyRow = z.infer<typeof copyRow>

const handoutHead = {
  id: z.uuid(),
  title: z.string(),
  className: z.string(),
  dueAt: z.number().nullable(),
  handedOutAt: z.number(),
}
export const handoutCard = z.object({ ...handoutHead, states: z.array(copyState) })
export type HandoutCard = z.infer<typeof handoutCard>

export const handoutWhole = z.object({
  ...handoutHead,
  instructions: z.string(),
  worksheetId: z.uuid(),
  pageCount: z.number(),
  copies: z.array(copyRow),
})
export type HandoutWhole = z.infer<typeof handoutWhole>

export const handBackRequest = z.object({ copies: z.array(z.uuid()).min(1).max(1000) })
export const handBackAnswer = z.object({ handedBack: z.array(z.uuid()) })

/** One thing in a student's tray. */
export const trayEntry = z.object({
  copy: z.uuid(),
  title: z.string(),
  className: z.string(),
  instructions: z.string(),
  dueAt: z.number().nullable(),
  state: copyState,
  round: z.number(),
  pageCount: z.number(),
  firstPage: worksheetPage,
})
export type TrayEntry = z.infer<typeof trayEntry>
