import { type CopyWhole, missedOf, type Page, type Placed } from '@hand-back/core'
import { Undo2 } from 'lucide-react'
import { Button } from '../../ui/Button.tsx'
import { ShowRow } from './ShowRow.tsx'

/** Colours that are told apart by everybody, one for each who shares a copy. */
const COLOURS = ['#2457a6', '#b4531f', '#2e7d46', '#7a2e8a', '#0f7c8a', '#8a6a14', '#c03a7c', '#55606b']

/** A colour for each of some people; `from`: beginning with that one of the colours. */
export function coloursOf(people: readonly { readonly id: string }[], from = 0): ReadonlyMap<string, string> {
  return new Map(people.map(({ id }, index) => [id, COLOURS[(from + index) % COLOURS.length]!]))
}

/** Teachers have other colours than the blue that students write in. */
export const coloursOfTeachers = (teachers: readonly { readonly id: string }[]) => coloursOf(teachers, 3)

interface WhoDidWhatProps {
  copy: CopyWhole
  page: Page
  shown: boolean
  onShow: (shown: boolean) => void
  onBring: (missed: ReturnType<typeof missedOf>) => void
}

/** Who made what on this page of a shared copy, by colour, and what was taken away, to be brought back. */
export function WhoDidWhat({ copy, page, shown, onShow, onBring }: WhoDidWhatProps) {
  const colours = coloursOf(copy.students)
  const work = [...page.placed.values()].filter(({ layer }) => layer === 'work')
  const made = (author: string) => work.filter((placed) => placed.author === author)
  const names = namesOf(copy, work)
  return (
    <ShowRow label="Who did what" shown={shown} onShow={onShow}>
      <ul className="flex flex-wrap gap-x-5">
        {names.map(([id, name]) => (
          <Author
            key={id}
            name={name}
            colour={colours.get(id) ?? '#55606b'}
            there={made(id).filter(({ taken }) => !taken).length}
            missed={missedOf(page, id)}
            onBring={onBring}
          />
        ))}
      </ul>
    </ShowRow>
  )
}

/** A colour, whose ink has it, and how much of theirs there is. */
export function InkOf({ name, colour, there }: { name: string; colour: string; there: number }) {
  return (
    <>
      <svg width="16" height="16" aria-hidden="true">
        <path d="M1 11c4-10 7 7 14-4" fill="none" stroke={colour} strokeWidth="3" strokeLinecap="round" />
      </svg>
      <span className="whitespace-nowrap">{name}</span>
      <span className="tabular text-ink-soft">{there}</span>
    </>
  )
}

interface AuthorProps {
  name: string
  colour: string
  /** How many things of theirs lie there. */
  there: number
  missed: ReturnType<typeof missedOf>
  onBring: WhoDidWhatProps['onBring']
}

function Author({ name, colour, there, missed, onBring }: AuthorProps) {
  return (
    <li className="flex min-h-[32px] items-center gap-2">
      <InkOf name={name} colour={colour} there={there} />
      {missed.bring.length > 0 && (
        <Button look="quiet" onClick={() => onBring(missed)} className="!min-h-[30px] !px-1 text-verdigris">
          <Undo2 size={15} aria-hidden="true" /> Bring back {missed.bring.length}
        </Button>
      )}
    </li>
  )
}

/** Those who share the copy, and those who made something in it and have left. */
function namesOf(copy: CopyWhole, work: readonly Placed[]): [string, string][] {
  const names = new Map(copy.students.map(({ id, name }) => [id, name]))
  for (const { author } of work) if (!names.has(author)) names.set(author, 'somebody who left')
  return [...names]
}
