import { NIBS, type Swatch } from '@hand-back/core'
import { Fragment } from 'react'
import { Button } from '../../ui/Button.tsx'
import { ColourGrid } from './ColourGrid.tsx'
import { InkSample } from './InkSample.tsx'
import { swatchName, WIDTHS } from './swatches.ts'

interface PenSettingsProps {
  swatch: Swatch
  onChange: (swatch: Swatch) => void
  /** One place along the strip; left out at its ends. */
  onMove: { before: (() => void) | undefined; after: (() => void) | undefined }
  onAnother: (() => void) | undefined
  onPutAway: (() => void) | undefined
  onClose: () => void
}

/** The narrowest and the widest that a pen can be made, in points. */
const NARROWEST = 0.4
const WIDEST = { thin: 14, broad: 40 }

/** What a pen is: a sheet on which every kind is tried out, each as wide as it comes, and its colour. */
export function PenSettings({ swatch, onChange, onMove, onAnother, onPutAway }: PenSettingsProps) {
  const broad = swatch.nib === 'paintbrush' || swatch.nib === 'highlighter'
  return (
    <div className="flex flex-col gap-3">
      <fieldset
        aria-label="Kind and width"
        className="grid grid-cols-[5.5rem_repeat(4,1fr)] items-center rounded-tag border border-rule bg-sheet"
      >
        {NIBS.map((nib) => (
          <Fragment key={nib}>
            <span className={`pl-2.5 text-small ${swatch.nib === nib ? 'font-bold' : 'text-ink-soft'}`}>
              {nib}
            </span>
            {WIDTHS[nib].map((width) => (
              <Sampled
                key={width}
                swatch={{ ...swatch, nib, width }}
                chosen={swatch.nib === nib && swatch.width === width}
                onChoose={onChange}
              />
            ))}
          </Fragment>
        ))}
      </fieldset>
      <label className="flex min-h-[44px] items-center gap-3 font-semibold">
        Any width
        <input
          type="range"
          min={NARROWEST}
          max={broad ? WIDEST.broad : WIDEST.thin}
          step={0.2}
          value={swatch.width}
          onChange={(event) => onChange({ ...swatch, width: Number(event.target.value) })}
          className="min-w-0 flex-1 accent-verdigris"
        />
      </label>
      <ColourGrid colour={swatch.colour} onPick={(colour) => onChange({ ...swatch, colour })} />
      <div className="grid grid-cols-[auto_auto_auto_auto] justify-between gap-1.5 border-t border-rule pt-3 [&_button]:px-2.5">
        <Button disabled={!onMove.before} onClick={onMove.before}>
          ← Move
        </Button>
        <Button disabled={!onMove.after} onClick={onMove.after}>
          Move →
        </Button>
        <Button disabled={!onAnother} onClick={onAnother}>
          One more
        </Button>
        <Button disabled={!onPutAway} onClick={onPutAway}>
          Remove
        </Button>
      </div>
    </div>
  )
}

interface SampledProps {
  swatch: Swatch
  chosen: boolean
  onChoose: (swatch: Swatch) => void
}

function Sampled({ swatch, chosen, onChoose }: SampledProps) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={swatchName(swatch)}
      onClick={() => onChoose(swatch)}
      className={`h-[44px] overflow-hidden rounded-tag ${chosen ? 'outline outline-2 -outline-offset-2 outline-ink' : 'hover:bg-card'}`}
    >
      <InkSample swatch={swatch} />
    </button>
  )
}
