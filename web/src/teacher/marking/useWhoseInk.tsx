import type { CopyWhole, Page, Person, Placed, Stroke, WorksheetPage } from '@hand-back/core'
import { type ReactNode, useMemo, useState } from 'react'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { coloursOf, coloursOfTeachers, WhoDidWhat } from './WhoDidWhat.tsx'
import { otherTeachers, WhoMarked } from './WhoMarked.tsx'

interface WhoseInkWish {
  copy: CopyWhole
  store: CopyStore
  person: Person
  page: WorksheetPage
  /** What the log made of the page. */
  log: Page
  /** What is seen of it. */
  seen: { readonly placed: readonly Placed[] }
  /** What is drawn elsewhere now: moved, or rubbed out. */
  elsewhere: ReadonlySet<string>
  /** Feedback is seen, and whose it is can be told. */
  tells: boolean
}

/** Who did what on a page, told by colours where the teacher wants that: the rows that say so, and the strokes in colour. */
export function useWhoseInk({ copy, store, person, page, log, seen, elsewhere, tells }: WhoseInkWish): {
  rows: ReactNode
  strokes: Stroke[] | undefined
} {
  const [students, setStudents] = useState(false)
  const [teachers, setTeachers] = useState(false)
  const shared = copy.way === 'group' || copy.way === 'all'
  const feedback = useMemo(() => seen.placed.filter(({ layer }) => layer === 'feedback'), [seen])
  const others = useMemo(() => otherTeachers(copy, feedback, person.id), [copy, feedback, person.id])
  const strokes = useMemo(() => {
    const work = shared && students ? coloursOf(copy.students) : undefined
    const marked = teachers && others.length > 0 ? coloursOfTeachers(others) : undefined
    return work || marked ? byAuthor(seen.placed, elsewhere, { work, feedback: marked }) : undefined
  }, [shared, students, teachers, others, copy, seen, elsewhere])
  const rows = (
    <>
      {shared && (
        <WhoDidWhat
          copy={copy}
          page={log}
          shown={students}
          onShow={setStudents}
          onBring={(missed) => store.bringBack(page.id, missed)}
        />
      )}
      {tells && <WhoMarked others={others} feedback={feedback} shown={teachers} onShow={setTeachers} />}
    </>
  )
  return { rows, strokes }
}

type Colours = ReadonlyMap<string, string> | undefined

/** The strokes of a page, those of each author in a colour of their own, but for those that are elsewhere now. */
function byAuthor(
  placed: readonly Placed[],
  elsewhere: ReadonlySet<string>,
  colours: { readonly work: Colours; readonly feedback: Colours },
): Stroke[] {
  return placed.flatMap(({ item, author, layer }) => {
    if (item.kind !== 'stroke' || elsewhere.has(item.id)) return []
    const colour = layer === 'work' || layer === 'feedback' ? colours[layer]?.get(author) : undefined
    return [colour ? { ...item, colour } : item]
  })
}
