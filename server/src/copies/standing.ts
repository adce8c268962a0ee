import {
  afterGoing,
  anotherGo,
  broughtBack,
  type CopyState,
  type GoWish,
  handedBack,
  handedBackRound,
  handedIn,
  opened,
  type Person,
  Refused,
  type Role,
  takenBack,
} from '@hand-back/core'
import { and, eq, isNull } from 'drizzle-orm'
import type { Context } from '../context.ts'
import type { Queries } from '../db/connect.ts'
import { copies, copyMembers } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { type CopyRecord, holdCopyFor } from './place.ts'

/** What can be done to a whole copy, by whom, and the rule in core that says when. */
const STEPS = {
  open: { by: 'student', rule: opened },
  handIn: { by: 'student', rule: handedIn },
  takeBack: { by: 'student', rule: takenBack },
  takeIn: { by: 'teacher', rule: handedIn },
  handBack: { by: 'teacher', rule: handedBack },
  bringBack: { by: 'teacher', rule: broughtBack },
  anotherGo: { by: 'teacher', rule: anotherGo },
} as const satisfies Record<string, { by: Role; rule: (copy: CopyRecord) => CopyRecord }>

export type Step = keyof typeof STEPS
export const steps = Object.keys(STEPS) as Step[]

const NO_DATE: GoWish = { dueAt: null }

interface StepChoice {
  /** How another go is meant. */
  readonly go?: GoWish
  /** Whether what goes back goes with its marks. */
  readonly marks?: boolean
  /** Left out: wherever it stands. */
  readonly only?: CopyState
}

/**
 * Takes a step with a copy and tells everybody who may know; with `only`, where it stands there. Throws `Refused` when the person has no
 * place in it or the rule says no. A step taken already changes nothing.
 */
export async function takeStep(
  context: Context,
  person: Person,
  id: string,
  step: Step,
  { go = NO_DATE, marks = true, only }: StepChoice = {},
): Promise<CopyRecord> {
  const { before, after } = await context.db.transaction(async (tx) => {
    const { copy, role } = await holdCopyFor(tx, person, id)
    const { by, rule } = STEPS[step]
    if (role !== by) throw notHere()
    if (step === 'open') await openedBy(tx, person.id, id, context.now())
    if (step === 'open' && copy.way === 'read') return { before: copy, after: copy }
    if (only !== undefined && copy.state !== only) return { before: copy, after: copy }
    if (copy.way === 'read') throw new Refused('This is to read; there is nothing to hand in.')
    const changed: CopyRecord = step === 'anotherGo' ? anotherGo(copy, go.questions) : rule(copy)
    if (changed === copy) return { before: copy, after: copy }
    const withoutMarks = goesBack(copy, changed)
      ? afterGoing(copy.withoutMarks, copy.round, marks)
      : copy.withoutMarks
    const handedInAt = changed.state === 'handed in' ? context.now() : changed.handedInAt
    const { state, round, markingBegan, stateBefore, goFor } = changed
    await tx
      .update(copies)
      .set({
        state,
        round,
        markingBegan,
        stateBefore,
        goFor,
        withoutMarks,
        ...(goesBack(copy, changed) ? { handedBackAt: new Date(context.now()) } : {}),
        handedInAt: handedInAt === null ? null : new Date(handedInAt),
        // Whatever was planned with it was planned for where it stood.
        handsBackAt: null,
        handsBackFor: null,
        // A new round has been reviewed by nobody, and has its own date or none.
        ...(round === copy.round
          ? {}
          : { reviewed: null, dueAt: go.dueAt === null ? null : new Date(go.dueAt) }),
      })
      .where(eq(copies.id, id))
    return { before: copy, after: { ...changed, withoutMarks, handedInAt } }
  })
  if (before !== after) context.news.copyChanged(after)
  // What was given before is not given in the new round.
  if (before.round !== after.round) context.news.marksChanged(after)
  return after
}

/** Whether the feedback of its round is its student's from now on. */
const goesBack = (before: CopyRecord, after: CopyRecord) => handedBackRound(before) < handedBackRound(after)

/** A copy is new to each who has a place in it until they open it themselves. */
async function openedBy(db: Queries, student: string, copy: string, now: number): Promise<void> {
  const { copyId, studentId, openedAt } = copyMembers
  await db
    .update(copyMembers)
    .set({ openedAt: new Date(now) })
    .where(and(eq(copyId, copy), eq(studentId, student), isNull(openedAt)))
}
