import { HIGHLIGHTER_OPACITY } from '@hand-back/core'
import { Check } from 'lucide-react'
import { useContext } from 'react'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import { COLOURS } from '../strip/swatches.ts'
import { Upright } from '../strip/upright.ts'
import type { Tools } from '../tools/useTools.ts'

/** The colours to fill with, as they come to lie on the page, in place of the pens. */
export function FillStrip({
  tools: { filling, setFilling },
  onClose,
}: {
  tools: Tools
  onClose: () => void
}) {
  const upright = useContext(Upright)
  const known = COLOURS.some(([value]) => value === filling)
  const colours = known ? COLOURS : [[filling, 'your pen’s colour'] as const, ...COLOURS]
  return (
    <>
      <OneOf
        label="Fill with"
        value={filling}
        onChoose={setFilling}
        className={`flex gap-1 @max-[900px]:gap-0.5 ${upright ? 'flex-col' : ''}`}
      >
        {colours.map(([value, name]) => (
          <Option
            key={value}
            value={value}
            aria-label={name}
            title={name}
            className={`size-[46px] shrink-0 overflow-hidden rounded-tag border bg-sheet p-1 @max-[900px]:size-[44px] ${
              filling === value
                ? 'border-ink outline outline-[3px] outline-ink'
                : 'border-rule hover:border-ink-soft'
            }`}
          >
            <span
              className="block size-full rounded-[2px]"
              style={{ backgroundColor: value, opacity: HIGHLIGHTER_OPACITY }}
            />
          </Option>
        ))}
      </OneOf>
      <StripButton icon={Check} label="Done" onClick={onClose} />
    </>
  )
}
