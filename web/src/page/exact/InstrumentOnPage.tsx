import {
  type InkPoint,
  type Instrument,
  type LengthUnit,
  type Person,
  type Point,
  sayAngle,
  sayDrawn,
  sayLengthOf,
  wholeCircle,
} from '@hand-back/core'
import { Circle, Pencil, RotateCw, X } from 'lucide-react'
import type { ComponentProps, ReactNode } from 'react'
import { useStore } from 'zustand'
import { useHabits } from '../habits/useHabits.ts'
import { toScreen, type View } from '../view/view.ts'
import { CompassesBody, ProtractorBody, RulerBody, standsOf } from './bodies.tsx'
import { instrumentKeys } from './instrumentKeys.ts'
import type { Instruments } from './instruments.ts'
import { useDragged } from './useDragged.ts'

interface InstrumentOnPageProps {
  person: Person
  instruments: Instruments
  view: View
  /** Makes ink of points. */
  keep: (points: readonly InkPoint[]) => void
  onClose: () => void
}

const NAMES = { ruler: 'Ruler', protractor: 'Protractor', compasses: 'Compasses' } as const

/** A ruler, a protractor or a pair of compasses as it lies on the page, and how long is what was drawn along it. */
export function InstrumentOnPage({ person, instruments, view, keep, onClose }: InstrumentOnPageProps) {
  const { instrument, drawn } = useStore(instruments.state)
  const [{ ruler: unit = 'cm' }, change] = useHabits(person.id)
  const hold = useDragged(instruments, view)
  if (!instrument) return null
  const says = sayInstrument(instrument, unit)
  const at = toScreen(view, instrument.at)
  const stands = standsOf(instrument)
  const otherUnit = () => change({ ruler: unit === 'cm' ? 'in' : 'cm' })
  return (
    // biome-ignore lint/a11y/useSemanticElements: a group of buttons that moves as a whole, by keys too
    <div
      role="group"
      aria-label={`${NAMES[instrument.kind]}, ${says}`}
      data-testid="instrument"
      className="absolute top-0 left-0"
      onKeyDown={(event) => instrumentKeys(event, instrument, instruments)}
    >
      <svg
        width={1}
        height={1}
        overflow="visible"
        className="pointer-events-none absolute rounded-tag drop-shadow-[0_2px_5px_rgb(30_43_58/0.25)]"
        style={{
          left: at.x,
          top: at.y,
          transformOrigin: '0 0',
          transform: `rotate(${instrument.turn}deg) scale(${view.scale})`,
        }}
        aria-hidden="true"
      >
        {instrument.kind === 'ruler' && <RulerBody ruler={instrument} unit={unit} hold={hold} />}
        {instrument.kind === 'protractor' && <ProtractorBody protractor={instrument} hold={hold} />}
        {instrument.kind === 'compasses' && <CompassesBody compasses={instrument} hold={hold} />}
      </svg>
      <At place={stands.says} view={view}>
        <button
          // Keys are its own from now on: arrows move it.
          // biome-ignore lint/a11y/noAutofocus: it was just laid down
          autoFocus
          type="button"
          data-takes="all"
          title={instrument.kind === 'protractor' ? undefined : 'Centimetres or inches'}
          onClick={instrument.kind === 'protractor' ? undefined : otherUnit}
          className="pointer-events-auto min-h-[30px] rounded-tag bg-sheet/90 px-2 font-semibold whitespace-nowrap tabular-nums"
        >
          {says}
        </button>
      </At>
      {stands.turn && (
        <At place={stands.turn} view={view}>
          <Knob label="Turn it" grips {...hold('turn')}>
            <RotateCw size={16} aria-hidden="true" />
          </Knob>
        </At>
      )}
      {stands.arm && (
        <At place={stands.arm} view={view}>
          <Knob label="Move its arm" grips {...hold('arm')}>
            <span className="size-2 rounded-full bg-verdigris" />
          </Knob>
        </At>
      )}
      {stands.pencil && instrument.kind === 'compasses' && (
        <>
          <At place={stands.pencil} view={view}>
            <Knob label="Set how far apart" grips {...hold('pencil')}>
              <Pencil size={16} aria-hidden="true" />
            </Knob>
          </At>
          <At place={instrument.at} view={view} down={46} right={24}>
            <Knob label="Draw the whole circle" onClick={() => keep(wholeCircle(instrument))}>
              <Circle size={16} aria-hidden="true" />
            </Knob>
          </At>
        </>
      )}
      <At
        place={stands.close ?? instrument.at}
        view={view}
        {...(stands.close ? {} : { down: 46, right: -24 })}
      >
        <Knob label="Take it up" onClick={onClose}>
          <X size={17} aria-hidden="true" />
        </Knob>
      </At>
      {drawn && (
        <At place={drawn.to} view={view} down={-34}>
          <output className="pointer-events-none rounded-tag bg-ink px-2 py-0.5 font-semibold whitespace-nowrap text-sheet tabular-nums">
            {sayDrawn(drawn, unit)}
          </output>
        </At>
      )}
    </div>
  )
}

/** How it lies or is set: `30°`, `60°`, `4.0 cm`. */
function sayInstrument(instrument: Instrument, unit: LengthUnit): string {
  switch (instrument.kind) {
    case 'ruler':
      // As one sees it: how far it is from level, whichever end is up.
      return `${unit} · ${sayAngle(tilt(instrument.turn))}`
    case 'protractor':
      return sayAngle(instrument.arm)
    case 'compasses':
      return sayLengthOf(instrument.radius, unit)
  }
}

function tilt(turn: number): number {
  const round = ((turn % 180) + 180) % 180
  return Math.min(round, 180 - round)
}

interface AtProps {
  place: Point
  view: View
  /** So many CSS pixels beside it. */
  right?: number
  down?: number
  children: ReactNode
}

/** With its middle at a place of the page. */
function At({ place, view, right = 0, down = 0, children }: AtProps) {
  const { x, y } = toScreen(view, place)
  return (
    <span
      className="absolute -translate-x-1/2 -translate-y-1/2 leading-none"
      style={{ left: x + right, top: y + down }}
    >
      {children}
    </span>
  )
}

/** Small to the eye, large to a finger. */
function Knob({
  label,
  grips = false,
  children,
  ...press
}: { label: string; grips?: boolean } & ComponentProps<'button'>) {
  return (
    <button
      {...press}
      type="button"
      data-takes="all"
      aria-label={label}
      title={label}
      className={`pointer-events-auto grid size-9 touch-none place-items-center pointer-coarse:size-11 ${grips ? 'cursor-grab' : ''}`}
    >
      <span className="grid size-7 place-items-center rounded-full border-[1.5px] border-verdigris bg-sheet text-verdigris">
        {children}
      </span>
    </button>
  )
}
