import {
  colourOf,
  cutOff,
  cutsOf,
  type Face,
  isThing,
  type Printed,
  type Thing,
  TONES,
} from '@hand-back/core'
import {
  Check,
  ClipboardCopy,
  Copy,
  Crop,
  Minus,
  Palette,
  PencilLine,
  Plus,
  RotateCw,
  Trash2,
  Type,
} from 'lucide-react'
import { Popover } from 'radix-ui'
import type { ReactNode } from 'react'
import { ColourGrid } from '../ColourGrid.tsx'
import { familyOf } from '../draw/letters.ts'
import { StripButton } from '../StripButton.tsx'
import { StripCard } from '../StripCard.tsx'
import { hasWords } from '../things/keepWords.ts'

import type { Picking } from './usePicking.ts'

/** How much larger or smaller one press makes, and by how many degrees it turns. */
const GROWS = 1.15
const TURNS = 15

const NOTES = [
  ['ochre', 'yellow'],
  ['verdigris', 'green'],
  ['slate', 'blue'],
  ['madder', 'red'],
  ['ink', 'grey'],
] as const

const FACES = [
  ['reading', 'easy to read'],
  ['plain', 'plain'],
  ['book', 'as in books'],
] as const

interface PickedStripProps {
  picking: Picking
  onCopy: () => void
  onWords: (thing: Thing) => void
  onFormula: (thing: Thing) => void
}

/** What can be done with what is picked up, in place of the pens. */
export function PickedStrip({ picking, onCopy, onWords, onFormula }: PickedStripProps) {
  const { items } = picking
  const only = items.length === 1 && isThing(items[0]!) ? items[0] : undefined
  const coloured = items.find((item) => colourOf(item) !== undefined)
  return (
    <>
      {only && hasWords(only) && (
        <StripButton icon={PencilLine} label="Words" onClick={() => onWords(only)} />
      )}
      {only?.kind === 'formula' && (
        <StripButton icon={PencilLine} label="Formula" onClick={() => onFormula(only)} />
      )}
      {only?.kind === 'text' && (
        <Opens icon={Type} label="Letters">
          <Faces face={only.face} onChoose={(face) => picking.change({ ...only, face })} />
        </Opens>
      )}
      {coloured && (
        <Opens icon={Palette} label="Colour">
          <ColourGrid colour={colourOf(coloured)!} onPick={picking.recolour} />
        </Opens>
      )}
      {only?.kind === 'direction' && (
        <Opens icon={Palette} label="Colour">
          <div className="flex gap-2">
            {NOTES.map(([tone, name]) => (
              <button
                key={tone}
                type="button"
                aria-label={name}
                aria-pressed={only.tone === tone}
                onClick={() => picking.change({ ...only, tone })}
                className={`h-11 w-12 rounded-tag border ${only.tone === tone ? 'border-2 border-ink' : 'border-rule'}`}
                style={{ background: TONES[tone][1] }}
              />
            ))}
          </div>
        </Opens>
      )}
      {only?.kind === 'picture' && (
        <Opens icon={Crop} label="Cut off">
          <CutOffRows picture={only} onChange={picking.change} />
        </Opens>
      )}
      <StripButton icon={Minus} label="Smaller" onClick={() => picking.spin(1 / GROWS, 0)} />
      <StripButton icon={Plus} label="Larger" onClick={() => picking.spin(GROWS, 0)} />
      <StripButton icon={RotateCw} label="Turn" onClick={() => picking.spin(1, TURNS)} />
      <StripButton icon={Copy} label="Again" hint="The same once more" onClick={picking.duplicate} />
      <StripButton icon={ClipboardCopy} label="Copy" onClick={onCopy} />
      <StripButton icon={Trash2} label="Take away" onClick={picking.take} />
      <StripButton icon={Check} label="Let go" onClick={picking.letGo} />
    </>
  )
}

function Faces({ face, onChoose }: { face: Face; onChoose: (face: Face) => void }) {
  return (
    <div className="flex gap-2">
      {FACES.map(([of, name]) => (
        <button
          key={of}
          type="button"
          aria-pressed={face === of}
          onClick={() => onChoose(of)}
          className={`flex min-h-[64px] w-[84px] flex-col items-center justify-center rounded-tag border bg-sheet px-2 ${face === of ? 'border-2 border-ink' : 'border-rule'}`}
        >
          <span aria-hidden="true" className="text-2xl leading-8" style={{ fontFamily: familyOf(of) }}>
            Aa
          </span>
          {name}
        </button>
      ))}
    </div>
  )
}

function Opens({ icon, label, children }: { icon: typeof Crop; label: string; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <StripButton icon={icon} label={label} />
      </Popover.Trigger>
      <StripCard width="18.75rem">{children}</StripCard>
    </Popover.Root>
  )
}

type Picture = Extract<Thing, { kind: 'picture' }>

function CutOffRows({ picture, onChange }: { picture: Picture; onChange: (thing: Thing) => void }) {
  const cuts = cutsOf(picture as unknown as Printed<'picture'>)
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="mb-1 font-semibold">Cut off</legend>
      {(['left', 'right', 'top', 'bottom'] as const).map((side) => (
        <label key={side} className="grid min-h-[40px] grid-cols-[70px_1fr] items-center">
          {side}
          <input
            type="range"
            min={0}
            max={95}
            value={Math.round(cuts[side] * 100)}
            onChange={(event) => {
              const cut = cutOff(
                picture as unknown as Printed<'picture'>,
                side,
                Number(event.target.value) / 100,
              )
              onChange({ ...picture, ...cut, file: picture.file } as Picture)
            }}
            className="w-full accent-verdigris"
          />
        </label>
      ))}
    </fieldset>
  )
}
