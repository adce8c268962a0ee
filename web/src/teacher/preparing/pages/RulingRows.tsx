import type { Ruling } from '@hand-back/core'
import { AxisRows } from '../panels/AxisRows.tsx'
import { ChoiceRow, ColourRow, NumberRow } from '../panels/rows.tsx'

const COLOURS = [
  ['#9fb4c7', 'pale blue'],
  ['#c9c4b8', 'pale grey'],
  ['#9dbfae', 'pale green'],
  ['#d9a89f', 'pale madder'],
  ['#55606b', 'grey'],
  ['#1e2b3a', 'ink'],
] as const

/** What can be said of a ruled paper. */
export function RulingRows({ ruling, onChange }: { ruling: Ruling; onChange: (ruling: Ruling) => void }) {
  return (
    <>
      <Measures ruling={ruling} onChange={onChange} />
      {ruling.form !== 'plain' && (
        <ColourRow
          label="Colour of the lines"
          value={ruling.colour}
          offer={COLOURS}
          onChange={(colour) => onChange({ ...ruling, colour })}
        />
      )}
    </>
  )
}

function Measures({ ruling, onChange }: { ruling: Ruling; onChange: (ruling: Ruling) => void }) {
  switch (ruling.form) {
    case 'ruled':
      return (
        <NumberRow
          label="Line spacing, mm"
          value={ruling.spacing}
          least={1}
          most={100}
          onChange={(spacing) => onChange({ ...ruling, spacing })}
        />
      )
    case 'handwriting':
      return (
        <NumberRow
          label="Letter height, mm"
          value={ruling.height}
          least={2}
          most={30}
          onChange={(height) => onChange({ ...ruling, height })}
        />
      )
    case 'squared':
    case 'dotted':
      return (
        <NumberRow
          label="Line spacing, mm"
          value={ruling.side}
          least={1}
          most={100}
          onChange={(side) => onChange({ ...ruling, side })}
        />
      )
    case 'staves':
      return (
        <NumberRow
          label="Gap, mm"
          value={ruling.gap}
          least={1}
          most={6}
          onChange={(gap) => onChange({ ...ruling, gap })}
        />
      )
    case 'axes':
      return (
        <>
          <AxisRows name="Across" of={ruling.across} onChange={(across) => onChange({ ...ruling, across })} />
          <AxisRows name="Up" of={ruling.up} onChange={(up) => onChange({ ...ruling, up })} />
        </>
      )
    case 'number line':
    case 'timeline':
      return (
        <>
          <NumberRow label="From" value={ruling.from} onChange={(from) => onChange({ ...ruling, from })} />
          <NumberRow label="To" value={ruling.to} onChange={(to) => onChange({ ...ruling, to })} />
          <NumberRow
            label="Parts"
            value={ruling.parts}
            least={1}
            most={ruling.form === 'timeline' ? 60 : 200}
            onChange={(parts) => onChange({ ...ruling, parts: Math.round(parts) })}
          />
          {ruling.form === 'number line' && (
            <NumberRow
              label="Lines"
              value={ruling.lines}
              least={1}
              most={12}
              onChange={(lines) => onChange({ ...ruling, lines: Math.round(lines) })}
            />
          )}
        </>
      )
    case 'clock faces':
      return (
        <NumberRow
          label="Clocks"
          value={ruling.count}
          least={1}
          most={24}
          onChange={(count) => onChange({ ...ruling, count: Math.round(count) })}
        />
      )
    case 'fractions':
      return (
        <>
          <ChoiceRow
            label="Figure"
            value={ruling.shape}
            options={[
              ['circle', 'circle'],
              ['bar', 'bar'],
            ]}
            onChange={(shape) => onChange({ ...ruling, shape })}
          />
          <NumberRow
            label="Parts"
            value={ruling.parts}
            least={1}
            most={100}
            onChange={(parts) => onChange({ ...ruling, parts: Math.round(parts) })}
          />
          <NumberRow
            label="How many"
            value={ruling.count}
            least={1}
            most={24}
            onChange={(count) => onChange({ ...ruling, count: Math.round(count) })}
          />
        </>
      )
    case 'overlap':
      return (
        <ChoiceRow
          label="Circles"
          value={String(ruling.circles)}
          options={[
            ['2', 'two'],
            ['3', 'three'],
          ]}
          onChange={(circles) => onChange({ ...ruling, circles: circles === '3' ? 3 : 2 })}
        />
      )
    case 'columns':
      return (
        <NumberRow
          label="Columns"
          value={ruling.count}
          least={2}
          most={8}
          onChange={(count) => onChange({ ...ruling, count: Math.round(count) })}
        />
      )
    case 'plain':
      return null
  }
}
