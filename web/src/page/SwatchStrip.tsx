import { Popover } from 'radix-ui'
import { useState } from 'react'
import { COLOURS, type Swatch, swatchName, WIDTHS } from './swatches.ts'

interface SwatchStripProps {
  swatches: readonly Swatch[]
  /** The one that writes now, or none while another tool is in hand. */
  active: number | undefined
  onPick: (index: number) => void
  onChange: (index: number, swatch: Swatch) => void
}

/** Pens as samples of their own ink. A tap writes with it; a tap on the one in hand opens its settings. */
export function SwatchStrip({ swatches, active, onPick, onChange }: SwatchStripProps) {
  const [open, setOpen] = useState<number>()
  return (
    <fieldset aria-label="Pens" className="flex gap-1.5">
      {swatches.map((swatch, index) => (
        <Popover.Root
          key={index}
          open={open === index}
          onOpenChange={(opens) => !opens && setOpen(undefined)}
        >
          <Popover.Anchor asChild>
            <button
              type="button"
              aria-pressed={active === index}
              aria-label={swatchName(swatch)}
              title={active === index ? 'Press again to change it' : swatchName(swatch)}
              onClick={() => (active === index ? setOpen(index) : onPick(index))}
              className={`h-[52px] w-[68px] overflow-hidden rounded-tag border bg-sheet max-[900px]:w-[52px] max-[560px]:w-[44px] ${
                active === index
                  ? 'border-ink outline outline-[3px] outline-ink'
                  : 'border-rule hover:border-ink-soft'
              }`}
            >
              <Sample swatch={swatch} />
            </button>
          </Popover.Anchor>
          <Popover.Portal>
            <Popover.Content
              side="top"
              sideOffset={10}
              className="z-50 w-[300px] rounded-md border border-rule bg-card p-4 shadow-[0_4px_18px_rgb(30_43_58/0.2)]"
            >
              <Settings swatch={swatch} onChange={(changed) => onChange(index, changed)} />
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      ))}
    </fieldset>
  )
}

function Settings({ swatch, onChange }: { swatch: Swatch; onChange: (swatch: Swatch) => void }) {
  return (
    <div className="flex flex-col gap-3">
      <div className="flex gap-2">
        {WIDTHS[swatch.nib].map((width) => (
          <button
            key={width}
            type="button"
            aria-pressed={swatch.width === width}
            aria-label={swatchName({ ...swatch, width })}
            onClick={() => onChange({ ...swatch, width })}
            className={`h-[44px] flex-1 overflow-hidden rounded-tag border bg-sheet ${swatch.width === width ? 'border-ink outline outline-2 outline-ink' : 'border-rule'}`}
          >
            <Sample swatch={{ ...swatch, width }} />
          </button>
        ))}
      </div>
      <div className="grid grid-cols-6 gap-1">
        {COLOURS.map(([colour, name]) => (
          <button
            key={colour}
            type="button"
            aria-label={name}
            aria-pressed={swatch.colour === colour}
            onClick={() => onChange({ ...swatch, colour })}
            className={`grid h-[44px] place-items-center rounded-tag border ${swatch.colour === colour ? 'border-ink bg-sheet' : 'border-transparent hover:bg-sheet'}`}
          >
            <svg width="30" height="22" aria-hidden="true">
              <path
                d="M4 12C8 2 12 4 14 11s6 9 12-1"
                fill="none"
                stroke={colour}
                strokeWidth="5"
                strokeLinecap="round"
              />
            </svg>
          </button>
        ))}
      </div>
      <label className="flex items-center justify-between gap-3 font-semibold">
        Any colour
        <input
          type="color"
          value={swatch.colour}
          onChange={(event) => onChange({ ...swatch, colour: event.target.value })}
          className="h-[44px] w-[88px] rounded-tag border border-rule bg-sheet p-1"
        />
      </label>
    </div>
  )
}

/** The swatch's own ink in true colour, width and transparency. */
function Sample({ swatch }: { swatch: Swatch }) {
  if (swatch.nib === 'highlighter') {
    return (
      <svg viewBox="0 0 68 50" className="h-full w-full" aria-hidden="true">
        <path d="M8 25h52" stroke="#1e2b3a" strokeWidth="1.4" strokeDasharray="5 3 9 3 3 4" />
        <path d={`M6 25h56`} stroke={swatch.colour} strokeWidth={swatch.width * 1.33} opacity="0.5" />
      </svg>
    )
  }
  return (
    <svg viewBox="0 0 68 50" className="h-full w-full" aria-hidden="true">
      <path
        d="M8 32C16 10 24 12 32 26s16 14 28-4"
        fill="none"
        stroke={swatch.colour}
        strokeWidth={swatch.width * 1.33}
        strokeLinecap="round"
      />
    </svg>
  )
}
