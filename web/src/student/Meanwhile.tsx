import { CALLS, type CopyWhole, type Person, type WorksheetPage } from '@hand-back/core'
import { skipToken, useQuery } from '@tanstack/react-query'
import { Users } from 'lucide-react'
import { useState } from 'react'
import { got } from '../api/queries.ts'
import { TextButton } from '../ui/TextButton.tsx'
import { SaidLine } from './SaidLine.tsx'

interface MeanwhileProps {
  copy: CopyWhole
  person: Person
  pages: readonly WorksheetPage[]
  page: string
  onTurn: (page: string) => void
}

/** What the others who share a copy did while one was away, and where one's own part of it is. */
export function Meanwhile({ copy, person, pages, page, onTurn }: MeanwhileProps) {
  const isShared = copy.way === 'group' || copy.way === 'all'
  const asked = got(CALLS.meanwhile, { copy: copy.id })
  // Asked once: what happens from now on is seen as it happens.
  const told = useQuery({
    ...asked,
    queryFn: isShared ? asked.queryFn! : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 0,
  })
  const [read, setRead] = useState(false)
  const names = new Map(copy.students.map(({ id, name }) => [id, name]))
  const numberOf = (id: string) => pages.findIndex((each) => each.id === id) + 1
  const others = (told.data ?? []).flatMap(({ student, pages: on }) => {
    const there = on.filter((id) => numberOf(id) > 0).sort((a, b) => numberOf(a) - numberOf(b))
    return there.length > 0 ? [{ student, name: names.get(student) ?? 'Somebody', on: there }] : []
  })
  const own = copy.parts.find(({ students }) => students.includes(person.id))?.page
  return (
    <>
      {own !== undefined && own !== page && numberOf(own) > 0 && (
        <SaidLine icon={<Users size={20} aria-hidden="true" />}>
          Your part is on{' '}
          <TextButton look="plain" onClick={() => onTurn(own)}>
            page {numberOf(own)}
          </TextButton>
        </SaidLine>
      )}
      {others.length > 0 && !read && (
        <SaidLine icon={<Users size={20} aria-hidden="true" />} onRead={() => setRead(true)}>
          While you were away:{' '}
          {others.map(({ student, name, on }, index) => (
            <span key={student}>
              {index > 0 && ' · '}
              {name} on{' '}
              {on.map((id) => (
                <TextButton key={id} look="plain" onClick={() => onTurn(id)}>
                  page {numberOf(id)}
                </TextButton>
              ))}
            </span>
          ))}
        </SaidLine>
      )}
    </>
  )
}
