import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { copiesAtFront, front, type Lesson, MOST_LINE_LETTERS } from './lesson.ts'
import { goneOn, isTimed, LEAST_SECONDS, MOST_SECONDS, paused, prolonged } from './timer.ts'

const seconds = z.number().int()

/** What a teacher says to a class at work. */
export const saying = z.discriminatedUnion('say', [
  z.object({ say: z.literal('time'), seconds: seconds.min(LEAST_SECONDS).max(MOST_SECONDS) }),
  z.object({ say: z.literal('wait') }),
  z.object({ say: z.literal('go on') }),
  z.object({ say: z.literal('more time'), seconds: seconds.min(-3600).max(3600) }),
  z.object({ say: z.literal('no time') }),
  z.object({ say: z.literal('pens down') }),
  z.object({ say: z.literal('pens up') }),
  z.object({ say: z.literal('look'), page: madeId, keeps: z.boolean() }),
  z.object({ say: z.literal('look no more') }),
  /** A line to all, or to some copies; no words take it away. */
  z.object({
    say: z.literal('line'),
    words: z.string().trim().max(MOST_LINE_LETTERS),
    copies: z.array(z.uuid()).min(1).max(1000).optional(),
  }),
  z.object({ say: z.literal('show'), front: front.nullable() }),
  z.object({ say: z.literal('invite'), copy: z.uuid().nullable() }),
  z.object({ say: z.literal('let write'), student: z.uuid().nullable() }),
])
export type Saying = z.infer<typeof saying>

/** The copies that are named in what is said. */
export function copiesNamed(said: Saying): readonly string[] {
  if (said.say === 'line') return said.copies ?? []
  if (said.say === 'invite') return said.copy === null ? [] : [said.copy]
  return said.say === 'show' ? copiesAtFront(said.front) : []
}

/** A lesson after something was said in it. `now`: milliseconds since 1970. */
export function lessonAfter(before: Lesson, said: Saying, now: number): Lesson {
  return { ...before, ...changed(before, said, now), turn: before.turn + 1 }
}

function changed(before: Lesson, said: Saying, now: number): Partial<Lesson> {
  const timer = isTimed(before.timer, now) ? before.timer : null
  switch (said.say) {
    case 'time':
      return { timer: { endsAt: now + said.seconds * 1000 } }
    case 'wait':
      return { timer: timer && paused(timer, now) }
    case 'go on':
      return { timer: timer && goneOn(timer, now) }
    case 'more time':
      return { timer: timer && prolonged(timer, said.seconds, now) }
    case 'no time':
      return { timer: null }
    case 'pens down':
      return { pensDownAt: now }
    case 'pens up':
      return { pensDownAt: null }
    case 'look':
      return { look: { page: said.page, keeps: said.keeps, at: now } }
    case 'look no more':
      return { look: null }
    case 'line':
      return withLine(before, said, now)
    case 'show':
      return { front: said.front, ...(staysInvited(before, said.front) ? {} : { invited: null }) }
    case 'invite':
      return { invited: said.copy }
    case 'let write':
      return { writer: said.student }
  }
}

/** Whoever writes at the front does so as long as their copy is shown there. */
function staysInvited({ invited }: Lesson, front: Lesson['front']): boolean {
  return invited !== null && front?.what === 'copies' && front.copies.some(({ copy }) => copy === invited)
}

function withLine(
  { toOne }: Lesson,
  { words, copies }: Extract<Saying, { say: 'line' }>,
  now: number,
): Partial<Lesson> {
  const said = words === '' ? null : { words, at: now }
  if (!copies) return { toAll: said }
  const others = Object.entries(toOne).filter(([copy]) => !copies.includes(copy))
  return { toOne: Object.fromEntries([...others, ...(said ? copies.map((copy) => [copy, said]) : [])]) }
}
