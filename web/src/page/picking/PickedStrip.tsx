import { colourOf, isThing, type Thing } from '@hand-back/core'
import {
  AlignStartVertical,
  BringToFront,
  Check,
  ClipboardCopy,
  Copy,
  Layers,
  Minus,
  Palette,
  Plus,
  RotateCw,
  SendToBack,
  Trash2,
} from 'lucide-react'
import { fetchedPart } from '../../ui/fetchedPart.tsx'
import { laidKindOf } from '../kinds/index.ts'
import { ColourGrid } from '../strip/ColourGrid.tsx'
import { Opens } from '../strip/Opens.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import type { Picking } from './usePicking.ts'

/** How much larger or smaller one press makes, and by how many degrees it turns. */
const GROWS = 1.15
const TURNS = 15

interface PickedStripProps {
  picking: Picking
  onCopy: () => void
  onWords: (thing: Thing) => void
  onFormula: (thing: Thing) => void
}

const LineUp = fetchedPart('LineUp', () => import('../holding/LineUp.tsx'))

/** What can be done with what is picked up, in place of the pens. */
export function PickedStrip({ picking, onCopy, onWords, onFormula }: PickedStripProps) {
  const { items } = picking
  const only = items.length === 1 && isThing(items[0]!) ? items[0] : undefined
  const { Change, ChangeMore: More } = only ? laidKindOf(only) : {}
  const changing = { thing: only!, change: picking.change, onWords, onFormula }
  const coloured = items.find((item) => colourOf(item) !== undefined)
  return (
    <>
      {Change && <Change {...changing} />}
      {coloured && (
        <Opens icon={Palette} label="Colour">
          <ColourGrid colour={colourOf(coloured)!} onPick={picking.recolour} />
        </Opens>
      )}
      {More && <More {...changing} />}
      {items.length > 1 && (
        <Opens icon={AlignStartVertical} label="Line up">
          <div className="flex flex-col gap-2">
            <LineUp count={items.length} onArrange={picking.arrange} onClose={picking.letGo} />
          </div>
        </Opens>
      )}
      <StripButton icon={Minus} label="Smaller" onClick={() => picking.spin(1 / GROWS, 0)} />
      <StripButton icon={Plus} label="Larger" onClick={() => picking.spin(GROWS, 0)} />
      <StripButton icon={RotateCw} label="Rotate" onClick={() => picking.spin(1, TURNS)} />
      {items.every(isThing) && (
        <Opens icon={Layers} label="Front, back">
          <div className="flex gap-1">
            <StripButton icon={BringToFront} label="To the front" onClick={() => picking.order('front')} />
            <StripButton icon={SendToBack} label="To the back" onClick={() => picking.order('back')} />
          </div>
        </Opens>
      )}
      <StripButton icon={Copy} label="Duplicate" onClick={picking.duplicate} />
      <StripButton icon={ClipboardCopy} label="Copy" onClick={onCopy} />
      <StripButton icon={Trash2} label="Take away" onClick={picking.take} />
      <StripButton icon={Check} label="Done" onClick={picking.letGo} />
    </>
  )
}
