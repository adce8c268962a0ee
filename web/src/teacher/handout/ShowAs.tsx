import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { readNote, writeNote } from '../../deviceNotes.ts'
import { ChoiceLine } from '../../ui/ChoiceLine.tsx'

/** How a hand-out is looked at: its copies a line each or as small pictures, their marks, what the class needs next. */
export type ShownAs = 'list' | 'pages' | 'marks' | 'next'

const NAMES: Readonly<Record<ShownAs, string>> = {
  list: 'List',
  pages: 'Pages',
  marks: 'Marks',
  next: 'What next?',
}
const NOTE = 'hand-out shown as'
const isOne = (name: string | null): name is ShownAs => name !== null && name in NAMES

/** How it is looked at: as the address says, so that other screens lead there; else list or pages, as last on this device. */
export function useShownAs(offered: readonly ShownAs[]): [ShownAs, (shown: ShownAs) => void] {
  const [search, setSearch] = useSearchParams()
  const [kept, setKept] = useState<ShownAs>(() => (readNote(NOTE) === 'pages' ? 'pages' : 'list'))
  const asked = search.get('show')
  const show = (next: ShownAs) => {
    const isKept = next === 'list' || next === 'pages'
    if (isKept) {
      writeNote(NOTE, next)
      setKept(next)
    }
    setSearch(isKept ? {} : { show: next }, { replace: true })
  }
  return [isOne(asked) && offered.includes(asked) ? asked : kept, show]
}

interface ShowAsProps {
  offered: readonly ShownAs[]
  shown: ShownAs
  onShow: (shown: ShownAs) => void
}

export function ShowAs({ offered, shown, onShow }: ShowAsProps) {
  const names = Object.fromEntries(offered.map((each) => [each, NAMES[each]]))
  return <ChoiceLine label="Look at it as" value={shown} names={names} onChoose={onShow} />
}
