import {
  type Axis,
  axis,
  NotAFormula,
  type Parameter,
  type Printed,
  parameter,
  readFormula,
} from '@hand-back/core'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { COLOURS } from '../../../page/swatches.ts'
import { Button } from '../../../ui/Button.tsx'
import { ChoiceRow, ColourRow, NumberBox, NumberRow, SMALL_INPUT, TextRow, TickRow } from './rows.tsx'
import type { SetOf } from './tell.tsx'

export function ShapePanel({ item, set }: { item: Printed<'shape'>; set: SetOf<Printed<'shape'>> }) {
  const line = item.form === 'line'
  return (
    <>
      {line ? (
        <ChoiceRow
          label="Arrowheads"
          value={item.heads}
          options={[
            ['none', 'none'],
            ['end', item.rising ? 'at the upper end' : 'at the right end'],
            ['start', item.rising ? 'at the lower end' : 'at the left end'],
            ['both', 'at both ends'],
          ]}
          onChange={(heads) => set({ heads })}
        />
      ) : (
        <ChoiceRow
          label="Form"
          value={item.form}
          options={[
            ['rectangle', 'rectangle'],
            ['ellipse', 'circle or ellipse'],
            ['triangle', 'triangle'],
          ]}
          onChange={(form) => set({ form })}
        />
      )}
      <NumberRow
        label="Line, pt"
        value={item.line}
        least={0}
        most={60}
        onChange={(width) => set({ line: width }, 'line')}
      />
      <TickRow label="Dashed" on={item.dashed} onChange={(dashed) => set({ dashed })} />
      <ColourRow label="Colour" value={item.colour} onChange={(colour) => set({ colour }, 'colour')} />
      {!line && (
        <ColourRow
          label="Filled with"
          value={item.fill}
          onChange={(fill) => set({ fill }, 'fill')}
          none={{ word: 'nothing', choose: () => set({ fill: null }) }}
        />
      )}
    </>
  )
}

export function InkPanel({ item, set }: { item: Printed<'ink'>; set: SetOf<Printed<'ink'>> }) {
  return (
    <ColourRow
      label="Colour"
      value={item.stroke.colour}
      offer={[...COLOURS, ['#c9ced4', 'pale, to trace']]}
      onChange={(colour) => set({ stroke: { ...item.stroke, colour } }, 'colour')}
    />
  )
}

export function PlotPanel({ item, set }: { item: Printed<'plot'>; set: SetOf<Printed<'plot'>> }) {
  const { curves, parameters } = item
  const letters = parameters.map(({ name }) => name)
  const free = [...'abcdghkmnpqrst'].find((letter) => !letters.includes(letter))
  return (
    <>
      <fieldset className="flex min-w-0 flex-col gap-1.5">
        <legend className="mb-1">Curves</legend>
        {curves.map((curve, index) => (
          <div key={index} className="flex items-center gap-1.5">
            <input
              type="color"
              aria-label={`Colour of curve ${index + 1}`}
              value={curve.colour}
              onChange={(event) =>
                set({ curves: curves.with(index, { ...curve, colour: event.target.value }) }, 'colour')
              }
              className="h-[32px] w-[32px] shrink-0 cursor-pointer rounded-tag border border-rule bg-sheet"
            />
            <CurveBox
              index={index}
              formula={curve.formula}
              letters={letters}
              onChange={(formula) =>
                set({ curves: curves.with(index, { ...curve, formula }) }, `curve ${index}`)
              }
            />
            <TakeAway
              label={`Take curve ${index + 1} away`}
              onClick={() => set({ curves: curves.toSpliced(index, 1) })}
            />
          </div>
        ))}
        <Button
          disabled={curves.length >= 12}
          onClick={() =>
            set({ curves: [...curves, { formula: 'x', colour: COLOURS[(curves.length + 1) % 10]![0] }] })
          }
        >
          <Plus size={16} aria-hidden="true" /> Another curve
        </Button>
      </fieldset>
      <fieldset className="flex min-w-0 flex-col gap-2">
        <legend className="mb-1">Parameters</legend>
        {parameters.map((each, index) => (
          <ParameterRow
            key={each.name}
            of={each}
            onChange={(next) => set({ parameters: parameters.with(index, next) }, `parameter ${each.name}`)}
            onTake={() => set({ parameters: parameters.toSpliced(index, 1) })}
          />
        ))}
        <Button
          disabled={!free || parameters.length >= 8}
          onClick={() =>
            free &&
            set({ parameters: [...parameters, { name: free, value: 1, from: -5, to: 5, open: false }] })
          }
        >
          <Plus size={16} aria-hidden="true" /> A letter to slide
        </Button>
      </fieldset>
      <AxisRows name="Across" of={item.across} onChange={(across) => set({ across }, 'across')} />
      <AxisRows name="Up" of={item.up} onChange={(up) => set({ up }, 'up')} />
      <TickRow label="With a grid" on={item.grid} onChange={(grid) => set({ grid })} />
    </>
  )
}

function TakeAway({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={label}
      onClick={onClick}
      className="grid h-8 w-8 shrink-0 place-items-center rounded-tag text-ink-soft hover:text-madder"
    >
      <X size={16} aria-hidden="true" />
    </button>
  )
}

function CurveBox({
  index,
  formula,
  letters,
  onChange,
}: {
  index: number
  formula: string
  letters: readonly string[]
  onChange: (formula: string) => void
}) {
  const problem = problemOf(formula, letters)
  return (
    <div className="min-w-0 flex-1">
      <input
        aria-label={`Curve ${index + 1}, y =`}
        aria-invalid={problem !== undefined}
        className={`${SMALL_INPUT} font-serif ${problem ? 'border-madder' : ''}`}
        maxLength={300}
        value={formula}
        onChange={(event) => onChange(event.target.value)}
      />
      {problem && (
        <p role="alert" className="text-sm text-madder">
          {problem}
        </p>
      )}
    </div>
  )
}

function problemOf(formula: string, letters: readonly string[]): string | undefined {
  try {
    readFormula(formula, letters)
    return undefined
  } catch (error) {
    if (error instanceof NotAFormula) return error.message
    throw error
  }
}

function ParameterRow({
  of,
  onChange,
  onTake,
}: {
  of: Parameter
  onChange: (next: Parameter) => void
  onTake: () => void
}) {
  const change = (next: Partial<Parameter>) => {
    const made = parameter.safeParse({ ...of, ...next })
    if (made.success) onChange(made.data)
  }
  return (
    <div className="flex flex-col gap-1 rounded-tag border border-rule p-2">
      <div className="flex items-center gap-2">
        <b className="font-serif text-lg italic">{of.name}</b>
        <input
          type="range"
          aria-label={`Slide ${of.name}`}
          min={of.from}
          max={of.to}
          step={(of.to - of.from) / 100}
          value={of.value}
          onChange={(event) => change({ value: Number(event.target.value) })}
          className="min-w-0 flex-1 accent-verdigris"
        />
        <span className="tabular w-10 text-right">{Number(of.value.toFixed(2))}</span>
        <TakeAway label={`Take ${of.name} away`} onClick={onTake} />
      </div>
      <div className="grid grid-cols-[auto_minmax(0,1fr)_auto_minmax(0,1fr)] items-center gap-1.5">
        <span>from</span>
        <NumberBox aria-label={`${of.name} from`} value={of.from} onChange={(from) => change({ from })} />
        <span>to</span>
        <NumberBox aria-label={`${of.name} to`} value={of.to} onChange={(to) => change({ to })} />
      </div>
      <TickRow label="Students slide it" on={of.open} onChange={(open) => change({ open })} />
    </div>
  )
}

/** One axis. Numbers that make no axis are told, and the last good axis stays. */
export function AxisRows({ name, of, onChange }: { name: string; of: Axis; onChange: (axis: Axis) => void }) {
  const [problem, setProblem] = useState<string>()
  const change = (next: Partial<Axis>) => {
    const made = axis.safeParse({ ...of, ...next })
    setProblem(made.success ? undefined : made.error.issues[0]?.message)
    if (made.success) onChange(made.data)
  }
  return (
    <fieldset className="flex min-w-0 flex-col gap-1.5">
      <legend className="mb-1">{name}</legend>
      <div className="grid grid-cols-3 gap-1.5">
        <NumberBox aria-label={`${name} from`} value={of.from} onChange={(from) => change({ from })} />
        <NumberBox aria-label={`${name} to`} value={of.to} onChange={(to) => change({ to })} />
        <NumberBox
          aria-label={`${name}, step`}
          value={of.step}
          least={1e-6}
          onChange={(step) => change({ step })}
        />
        <span className="text-sm text-ink-soft">from</span>
        <span className="text-sm text-ink-soft">to</span>
        <span className="text-sm text-ink-soft">step</span>
      </div>
      <TextRow label="Label" value={of.label} longest={60} onChange={(label) => change({ label })} />
      {problem && (
        <p role="alert" className="text-sm text-madder">
          {problem}
        </p>
      )}
    </fieldset>
  )
}
