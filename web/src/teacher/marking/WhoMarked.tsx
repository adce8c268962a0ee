import type { CopyWhole, Placed } from '@hand-back/core'
import { ShowRow } from './ShowRow.tsx'
import { coloursOfTeachers, InkOf } from './WhoDidWhat.tsx'

/** The teachers of a copy but oneself; one who came after it was opened is not known by name yet. */
export function otherTeachers(
  { teachers }: CopyWhole,
  feedback: readonly Placed[],
  self: string,
): CopyWhole['teachers'] {
  const others = new Map(teachers.map((teacher) => [teacher.id, teacher]))
  for (const { author } of feedback)
    if (!others.has(author)) others.set(author, { id: author, name: 'another teacher' })
  others.delete(self)
  return [...others.values()]
}

interface WhoMarkedProps {
  /** The other teachers of the copy. */
  others: CopyWhole['teachers']
  /** The feedback on the page. */
  feedback: readonly Placed[]
  shown: boolean
  onShow: (shown: boolean) => void
}

/** What other teachers wrote on this page, by colour. Nothing where nobody else did. */
export function WhoMarked({ others, feedback, shown, onShow }: WhoMarkedProps) {
  const colours = coloursOfTeachers(others)
  const wrote = others
    .map((one) => ({ ...one, there: feedback.filter(({ author }) => author === one.id).length }))
    .filter(({ there }) => there > 0)
  if (wrote.length === 0) return null
  return (
    <ShowRow
      label={`Feedback of ${wrote.map(({ name }) => name).join(' and ')}`}
      shown={shown}
      onShow={onShow}
    >
      <ul className="flex flex-wrap gap-x-5">
        {wrote.map(({ id, name, there }) => (
          <li key={id} className="flex min-h-[32px] items-center gap-2">
            <InkOf name={name} colour={colours.get(id)!} there={there} />
          </li>
        ))}
      </ul>
    </ShowRow>
  )
}
