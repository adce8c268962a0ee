import { OneOf, Option } from '../../ui/OneOf.tsx'
import { COLOURS } from './swatches.ts'

/** Colours to choose from, each as ink, and any other. */
export function ColourGrid({ colour, onPick }: { colour: string; onPick: (colour: string) => void }) {
  return (
    <div className="flex flex-col gap-3">
      <OneOf label="Colour" value={colour} onChoose={onPick} className="grid grid-cols-6 gap-1">
        {COLOURS.map(([value, name]) => (
          <Option
            key={value}
            value={value}
            aria-label={name}
            className={`grid h-[44px] place-items-center rounded-tag border ${colour === value ? 'border-ink bg-sheet' : 'border-transparent hover:bg-sheet'}`}
          >
            <svg width="30" height="22" aria-hidden="true">
              <path
                d="M4 12C8 2 12 4 14 11s6 9 12-1"
                fill="none"
                stroke={value}
                strokeWidth="5"
                strokeLinecap="round"
              />
            </svg>
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
