import { MOST_SWATCHES, NIBS, type Swatch, shinesThrough, strokeOutline, traceOutline } from '@hand-back/core'
import { Popover } from 'radix-ui'
import {
  type ComponentProps,
  type ReactNode,
  useContext,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react'
import { ColourGrid } from '../strip/ColourGrid.tsx'
import { StripCard, Upright } from '../strip/StripCard.tsx'
import { swatchName, WIDTHS } from '../strip/swatches.ts'
import type { Tools } from '../tools/useTools.ts'

/** Pens as samples of their own ink. A tap writes with it; a tap on the one in hand opens its settings. */
export function SwatchStrip({ tools }: { tools: Tools }) {
  const upright = useContext(Upright)
  const { swatches } = tools
  const active = tools.tool === 'pen' ? tools.active : undefined
  const [open, setOpen] = useState<number>()
  const opened = useRef(open)
  useLayoutEffect(() => {
    opened.current = open
  }, [open])
  const moveTo = (index: number, by: -1 | 1) => {
    tools.shift(index, by)
    setOpen(index + by)
  }
  return (
    <fieldset aria-label="Pens" className={`flex gap-1.5 @max-[1040px]:gap-1 ${upright ? 'flex-col' : ''}`}>
      {swatches.map((swatch, index) => (
        <Popover.Root
          key={index}
          open={open === index}
          onOpenChange={(opens) => setOpen(opens ? index : undefined)}
        >
          <Popover.Trigger asChild>
            <button
              type="button"
              aria-pressed={active === index}
              aria-label={swatchName(swatch)}
              title={active === index ? 'Press again to change it' : swatchName(swatch)}
              onClick={(event) => {
                if (active === index) return
                event.preventDefault()
                tools.pick(index)
              }}
              className={`h-[52px] w-[68px] shrink-0 overflow-hidden rounded-tag border bg-sheet @max-[1040px]:w-[48px] @max-[640px]:w-[44px] ${
                active === index
                  ? 'border-ink outline outline-[3px] outline-ink'
                  : 'border-rule hover:border-ink-soft'
              }`}
            >
              <Sample swatch={swatch} />
            </button>
          </Popover.Trigger>
          <StripCard
            width="20.625rem"
            // Where the pen has moved to, its settings are open already.
            onCloseAutoFocus={(event) => opened.current !== undefined && event.preventDefault()}
          >
            <Settings swatch={swatch} onChange={(changed) => tools.change(index, changed)}>
              <div className="flex flex-wrap gap-2 border-t border-rule pt-3">
                <Small disabled={index === 0} onClick={() => moveTo(index, -1)}>
                  ← Move
                </Small>
                <Small disabled={index === swatches.length - 1} onClick={() => moveTo(index, 1)}>
                  Move →
                </Small>
                <Small
                  disabled={swatches.length >= MOST_SWATCHES}
                  onClick={() => {
                    tools.another()
                    setOpen(index + 1)
                  }}
                >
                  One more
                </Small>
                <Small
                  disabled={swatches.length === 1}
                  onClick={() => {
                    setOpen(undefined)
                    tools.drop(index)
                  }}
                >
                  Put away
                </Small>
              </div>
            </Settings>
          </StripCard>
        </Popover.Root>
      ))}
    </fieldset>
  )
}

interface SettingsProps {
  swatch: Swatch
  onChange: (swatch: Swatch) => void
  children: ReactNode
}

function Settings({ swatch, onChange, children }: SettingsProps) {
  return (
    <div className="flex flex-col gap-3">
      <div className="flex gap-2">
        {NIBS.map((nib) => (
          <button
            key={nib}
            type="button"
            aria-pressed={swatch.nib === nib}
            onClick={() => swatch.nib !== nib && onChange({ ...swatch, nib, width: WIDTHS[nib][1]! })}
            className={`min-h-[52px] flex-1 overflow-hidden rounded-tag border bg-sheet text-small font-semibold ${swatch.nib === nib ? 'border-ink outline outline-2 outline-ink' : 'border-rule'}`}
          >
            <span className="block h-[30px]">
              <Sample swatch={{ ...swatch, nib, width: WIDTHS[nib][1]! }} />
            </span>
            {nib}
          </button>
        ))}
      </div>
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
      <label className="flex min-h-[44px] items-center gap-3 font-semibold">
        Any width
        <input
          type="range"
          min={0.4}
          max={swatch.nib === 'pen' || swatch.nib === 'marker' ? 14 : 40}
          step={0.2}
          value={swatch.width}
          onChange={(event) => onChange({ ...swatch, width: Number(event.target.value) })}
          className="min-w-0 flex-1 accent-verdigris"
        />
      </label>
      <ColourGrid colour={swatch.colour} onPick={(colour) => onChange({ ...swatch, colour })} />
      {children}
    </div>
  )
}

function Small(props: ComponentProps<'button'>) {
  return (
    <button
      type="button"
      {...props}
      className="min-h-[44px] rounded-tag border border-rule bg-sheet px-3 font-semibold disabled:opacity-40"
    />
  )
}

/** The way of a sample across its tag, in CSS pixels. */
const SAMPLE = { x: [8, 16, 25, 33, 42, 52, 60], y: [32, 17, 14, 26, 34, 31, 20] }

/** The swatch's own ink in true colour, width and transparency. */
function Sample({ swatch }: { swatch: Swatch }) {
  const flat = shinesThrough(swatch)
  const d = useMemo(() => {
    const points = SAMPLE.x.map((x, index) => ({
      x,
      y: flat ? 25 : SAMPLE.y[index]!,
      pressure: 0.35 + 0.55 * Math.sin((Math.PI * index) / (SAMPLE.x.length - 1)),
      time: index * 20,
    }))
    return outlinePath(strokeOutline(points, swatch.nib, swatch.width * 1.33))
  }, [swatch.nib, swatch.width, flat])
  return (
    <svg viewBox="0 0 68 50" className="h-full w-full" aria-hidden="true">
      {flat && <path d="M8 25h52" stroke="#1e2b3a" strokeWidth="1.4" strokeDasharray="5 3 9 3 3 4" />}
      <path d={d} fill={swatch.colour} opacity={flat ? 0.5 : 1} />
    </svg>
  )
}

/** The outline of a stroke as an SVG path. */
function outlinePath(outline: readonly (readonly number[])[]): string {
  let d = ''
  traceOutline(outline, {
    moveTo: (x, y) => {
      d += `M${x.toFixed(1)} ${y.toFixed(1)}`
    },
    quadraticCurveTo: (cx, cy, x, y) => {
      d += `Q${cx.toFixed(1)} ${cy.toFixed(1)} ${x.toFixed(1)} ${y.toFixed(1)}`
    },
    closePath: () => {
      d += 'Z'
    },
  })
  return d
}
