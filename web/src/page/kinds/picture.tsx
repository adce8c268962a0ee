import { cutOff, cutsOf, turnedOver } from '@hand-back/core'
import { Crop, Image } from 'lucide-react'
import { Opens } from '../strip/Opens.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import type { ChangeProps, LaidKind } from './laidKind.ts'

export const picture = {
  Change: ({ thing, change }) =>
    thing.behind && (
      <StripButton
        icon={Image}
        label={thing.behind.straight ? 'Straight' : 'As taken'}
        onClick={() => change(turnedOver(thing))}
      />
    ),
  ChangeMore: (props) => (
    <Opens icon={Crop} label="Crop">
      <CutOffRows {...props} />
    </Opens>
  ),
} satisfies LaidKind<'picture'>

function CutOffRows({ thing: picture, change: onChange }: ChangeProps<'picture'>) {
  const cuts = cutsOf(picture)
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="mb-1 font-semibold">Crop</legend>
      {(['left', 'right', 'top', 'bottom'] as const).map((side) => (
        <label key={side} className="grid min-h-[40px] grid-cols-[70px_1fr] items-center">
          {side}
          <input
            type="range"
            min={0}
            max={95}
            value={Math.round(cuts[side] * 100)}
            onChange={(event) => {
              onChange(cutOff(picture, side, Number(event.target.value) / 100))
            }}
            className="w-full accent-verdigris"
          />
        </label>
      ))}
    </fieldset>
  )
}
