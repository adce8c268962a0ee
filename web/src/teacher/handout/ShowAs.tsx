import { useState } from 'react'
import { readNote, writeNote } from '../../deviceNotes.ts'
import { OneOf, Option } from '../../ui/OneOf.tsx'

/** How the copies of a hand-out are shown: a line each, or their pages as small pictures. */
export type ShownAs = 'list' | 'pages'

const NAMES: Readonly<Record<ShownAs, string>> = { list: 'List', pages: 'Pages' }
const NOTE = 'hand-out shown as'

/** How they are shown, remembered on this device. */
export function useShownAs(): [ShownAs, (shown: ShownAs) => void] {
  const [shown, setShown] = useState<ShownAs>(() => (readNote(NOTE) === 'pages' ? 'pages' : 'list'))
  const show = (next: ShownAs) => {
    writeNote(NOTE, next)
    setShown(next)
  }
  return [shown, show]
}

export function ShowAs({ shown, onShow }: { shown: ShownAs; onShow: (shown: ShownAs) => void }) {
  return (
    <OneOf label="Show the copies as" value={shown} onChoose={onShow} className="flex gap-4">
      {(Object.keys(NAMES) as ShownAs[]).map((each) => (
        <Option
          key={each}
          value={each}
          className={`min-h-[36px] border-b-[3px] px-1 font-semibold pointer-coarse:min-h-11 ${shown === each ? 'border-verdigris' : 'border-transparent text-ink-soft hover:text-ink'}`}
        >
          {NAMES[each]}
        </Option>
      ))}
    </OneOf>
  )
}
