import {
  type Compasses,
  type LengthUnit,
  mm,
  type Protractor,
  placeOn,
  RULER_BROAD,
  RULER_ENDS,
  type Ruler,
} from '@hand-back/core'
import { useMemo } from 'react'
import { type Numbered, placeAt, roundScale, straightScale } from './scales.ts'
import type { Grip } from './useDragged.ts'

/** How near its edges an instrument is not taken hold of: there one draws along it. */
const FREE = mm(4.5)
/** The size of the numbers, in points, and the width of the lines. */
const NUMBERS = 8.5
const BODY = { fill: '#f7f5ef', fillOpacity: 0.6, stroke: '#1e2b3a', strokeWidth: 0.7 }
const HELD = {
  'data-takes': 'all',
  fill: 'transparent',
  className: 'pointer-events-auto cursor-move touch-none',
}

type Hold = (grip: Grip) => object

/** A ruler, its scale along its upper edge. */
export function RulerBody({ ruler, unit, hold }: { ruler: Ruler; unit: LengthUnit; hold: Hold }) {
  const { marks, numbers } = useMemo(() => straightScale(ruler.long, unit), [ruler.long, unit])
  const left = -ruler.long / 2
  const whole = ruler.long + 2 * RULER_ENDS
  return (
    <>
      <rect {...BODY} x={left - RULER_ENDS} y={0} width={whole} height={RULER_BROAD} rx={1.5} />
      <g transform={`translate(${left} 0)`}>
        <path d={marks} stroke="#1e2b3a" strokeWidth={0.55} />
        <Numbers of={numbers} />
      </g>
      <rect
        {...HELD}
        {...hold('body')}
        x={left - RULER_ENDS}
        y={FREE}
        width={whole}
        height={RULER_BROAD - 2 * FREE}
      />
    </>
  )
}

/** Half a round with its degrees both ways, and an arm that shows one of them. */
export function ProtractorBody({ protractor, hold }: { protractor: Protractor; hold: Hold }) {
  const { radius, arm } = protractor
  const { marks, outer, inner } = useMemo(() => roundScale(radius), [radius])
  const half = (r: number) => `M${-r} 0A${r} ${r} 0 0 1 ${r} 0Z`
  const tip = placeAt(radius + mm(14), arm)
  return (
    <>
      <path {...BODY} d={half(radius)} />
      <path d={marks} stroke="#1e2b3a" strokeWidth={0.5} />
      <Numbers of={outer} />
      <Numbers of={inner} pale />
      <path d={`M-4 0H4M0 0V-6`} stroke="#1e2b3a" strokeWidth={0.7} />
      <path
        {...HELD}
        {...hold('body')}
        d={`M${-(radius - FREE)} ${-FREE}A${radius} ${radius} 0 0 1 ${radius - FREE} ${-FREE}Z`}
      />
      <path d={`M0 0L${tip.x} ${tip.y}`} stroke="#1b6e68" strokeWidth={1.4} />
    </>
  )
}

/** The way round which the pencil goes, where the point stands, and the pencil. */
export function CompassesBody({ compasses, hold }: { compasses: Compasses; hold: Hold }) {
  const { radius } = compasses
  return (
    <>
      <circle r={radius} fill="none" stroke="#1b6e68" strokeWidth={1} strokeDasharray="5 4" />
      <path d={`M0 0H${radius}`} stroke="#1b6e68" strokeWidth={1} />
      <path d="M-7 0H7M0-7V7" stroke="#1e2b3a" strokeWidth={1} />
      <circle {...HELD} {...hold('body')} r={Math.min(mm(8), radius * 0.6)} />
    </>
  )
}

function Numbers({ of, pale = false }: { of: readonly Numbered[]; pale?: boolean }) {
  return (
    <g
      fontSize={NUMBERS}
      fill="#1e2b3a"
      opacity={pale ? 0.6 : 1}
      textAnchor="middle"
      dominantBaseline="middle"
      className="pointer-events-none select-none"
    >
      {of.map(({ x, y, words }) => (
        <text key={words} x={x} y={y}>
          {words}
        </text>
      ))}
    </g>
  )
}

/** Where the buttons of an instrument stand, on the page: its sign to turn it or to set it, and the others. */
export function standsOf(instrument: Ruler | Protractor | Compasses) {
  switch (instrument.kind) {
    case 'ruler': {
      const far = instrument.long / 2
      const y = RULER_BROAD * 0.62
      return {
        close: placeOn(instrument, { x: -far + mm(4), y }),
        says: placeOn(instrument, { x: 0, y }),
        turn: placeOn(instrument, { x: far - mm(4), y }),
      }
    }
    case 'protractor': {
      const { radius, arm } = instrument
      return {
        close: placeOn(instrument, { x: -radius * 0.32, y: -radius * 0.28 }),
        says: placeOn(instrument, { x: 0, y: -radius * 0.42 }),
        turn: placeOn(instrument, { x: radius * 0.32, y: -radius * 0.28 }),
        arm: placeOn(instrument, placeAt(radius + mm(14), arm)),
      }
    }
    case 'compasses':
      return {
        pencil: placeOn(instrument, { x: instrument.radius, y: 0 }),
        says: placeOn(instrument, { x: instrument.radius / 2, y: 0 }),
      }
  }
}
