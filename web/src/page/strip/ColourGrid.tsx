import { OneOf, Option } from '../../ui/OneOf.tsx'
import { COLOURS } from './swatches.ts'

/** Colours to choose from, each as a line of ink with the name that children have for it, and any other. */
export function ColourGrid({ colour, onPick }: { colour: string; onPick: (colour: string) => void }) {
  return (
    <div className="flex flex-col gap-3">
      <OneOf label="Colour" value={colour} onChoose={onPick} className="grid grid-cols-3 gap-x-1">
        {COLOURS.map(([value, name]) => (
          <Option
            key={value}
            value={value}
            aria-label={name}
            className={`flex h-[44px] flex-col items-stretch justify-center gap-0.5 rounded-tag border px-2 text-left text-small leading-none ${colour === value ? 'border-ink bg-sheet font-bold' : 'border-transparent hover:bg-sheet'}`}
          >
            <svg viewBox="0 0 90 14" className="h-[14px] w-full" aria-hidden="true">
              <path
                d="M4 8C14 3 24 4 36 7s32 4 50-2"
                fill="none"
                stroke={value}
                strokeWidth="5.5"
                strokeLinecap="round"
              />
            </svg>
            {name}
          </Option>
        ))}
      </OneOf>
      <label className="flex items-center justify-between gap-3 font-semibold">
        Any colour
        <input
          type="color"
          value={colour}
          onChange={(event) => onPick(event.target.value)}
          className="h-[44px] w-[88px] rounded-tag border border-rule bg-sheet p-1"
        />
      </label>
    </div>
  )
}
