import type { Face } from '@hand-back/core'
import { PencilLine, Type } from 'lucide-react'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { familyOf } from '../draw/letters.ts'
import { Opens } from '../strip/Opens.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import { type LaidKind, LETTERS } from './laidKind.ts'

const FACES = [
  ['reading', 'easy to read'],
  ['plain', 'plain'],
  ['book', 'as in books'],
] as const

export const text = {
  puts: {
    text: {
      name: 'Words',
      icon: PencilLine,
      size: [70, 8],
      hasWords: true,
      make: ({ colour, times }) => ({ colour, size: LETTERS * times }),
    },
  },
  Change: ({ thing, change, onWords }) => (
    <>
      <StripButton icon={PencilLine} label="Words" onClick={() => onWords(thing)} />
      <Opens icon={Type} label="Letters">
        <Faces face={thing.face} onChoose={(face) => change({ ...thing, face })} />
      </Opens>
    </>
  ),
} satisfies LaidKind<'text'>

function Faces({ face, onChoose }: { face: Face; onChoose: (face: Face) => void }) {
  return (
    <OneOf label="Letters" value={face} onChoose={onChoose} className="flex gap-2">
      {FACES.map(([of, name]) => (
        <Option
          key={of}
          value={of}
          className={`flex min-h-[64px] w-[84px] flex-col items-center justify-center rounded-tag border bg-sheet px-2 ${face === of ? 'border-2 border-ink' : 'border-rule'}`}
        >
          <span aria-hidden="true" className="text-2xl leading-8" style={{ fontFamily: familyOf(of) }}>
            Aa
          </span>
          {name}
        </Option>
      ))}
    </OneOf>
  )
}
