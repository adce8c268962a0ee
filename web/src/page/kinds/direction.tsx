import { TONES } from '@hand-back/core'
import { Palette, PencilLine } from 'lucide-react'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { Opens } from '../strip/Opens.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import { NoteSign } from '../strip/signs.ts'
import { type ChangeProps, type LaidKind, LETTERS } from './laidKind.ts'

const NOTES = [
  ['slate', 'blue'],
  ['verdigris', 'green'],
  ['ochre', 'yellow'],
  ['madder', 'red'],
  ['ink', 'grey'],
] as const

export const direction = {
  puts: {
    note: {
      name: 'Note',
      icon: NoteSign,
      size: [55, 14],
      hasWords: true,
      make: ({ tone, times }) => ({ tone, size: LETTERS * times }),
    },
  },
  Change: ({ thing, onWords }) => (
    <StripButton icon={PencilLine} label="Words" onClick={() => onWords(thing)} />
  ),
  ChangeMore: Ground,
} satisfies LaidKind<'direction'>

function Ground({ thing, change }: ChangeProps<'direction'>) {
  return (
    <Opens icon={Palette} label="Colour">
      <OneOf
        label="Colour"
        value={thing.tone}
        onChoose={(tone) => change({ ...thing, tone })}
        className="flex gap-2"
      >
        {NOTES.map(([tone, name]) => (
          <Option
            key={tone}
            value={tone}
            aria-label={name}
            className={`h-11 w-12 rounded-tag border ${thing.tone === tone ? 'border-2 border-ink' : 'border-rule'}`}
            style={{ background: TONES[tone][1] }}
          />
        ))}
      </OneOf>
    </Opens>
  )
}
