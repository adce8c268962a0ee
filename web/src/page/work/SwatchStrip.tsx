import { MOST_SWATCHES } from '@hand-back/core'
import { useContext, useLayoutEffect, useRef, useState } from 'react'
import { fetchedPart, useWarm } from '../../ui/fetchedPart.tsx'
import { InkSample } from '../strip/InkSample.tsx'
import { OpensCard } from '../strip/OpensCard.tsx'
import { swatchName } from '../strip/swatches.ts'
import { Upright } from '../strip/upright.ts'
import type { Tools } from '../tools/useTools.ts'

const PenSettings = fetchedPart('PenSettings', () => import('../strip/PenSettings.tsx'))

/** Pens as samples of their own ink. A tap writes with it; a tap on the one in hand opens its settings. */
export function SwatchStrip({ tools }: { tools: Tools }) {
  const upright = useContext(Upright)
  useWarm(PenSettings.warm)
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
        <OpensCard
          key={index}
          open={open === index}
          onOpen={(opens) => setOpen(opens ? index : undefined)}
          button={
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
              <InkSample swatch={swatch} />
            </button>
          }
          width="23rem"
          // Where the pen has moved to, its settings are open already.
          onCloseAutoFocus={(event) => opened.current !== undefined && event.preventDefault()}
        >
          <PenSettings
            swatch={swatch}
            onChange={(changed) => tools.change(index, changed)}
            onClose={() => setOpen(undefined)}
            onMove={{
              before: index > 0 ? () => moveTo(index, -1) : undefined,
              after: index < swatches.length - 1 ? () => moveTo(index, 1) : undefined,
            }}
            onAnother={
              swatches.length < MOST_SWATCHES
                ? () => {
                    tools.another()
                    setOpen(index + 1)
                  }
                : undefined
            }
            onPutAway={
              swatches.length > 1
                ? () => {
                    setOpen(undefined)
                    tools.drop(index)
                  }
                : undefined
            }
          />
        </OpensCard>
      ))}
    </fieldset>
  )
}
