import { NotAFormula, type Parameter, parameter, readFormula } from '@hand-back/core'
import { Plus, X } from 'lucide-react'
import { COLOURS } from '../../../page/strip/swatches.ts'
import { Button } from '../../../ui/Button.tsx'
import { IconButton } from '../../../ui/IconButton.tsx'
import { AxisRows } from '../panels/AxisRows.tsx'
import { NumberBox, SMALL_INPUT, TickRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const plot = {
  name: () => 'Axes and curves',
  group: 'Draw',
  list: {
    plot: { name: 'Axes and curves', put: { size: [90, 70] } },
  },
  Panel,
} satisfies TeacherKind<'plot'>

function Panel({ item, set }: PanelProps<'plot'>) {
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
            <IconButton
              icon={X}
              label={`Remove curve ${index + 1}`}
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
          <Plus size={16} aria-hidden="true" /> Add a slider
        </Button>
      </fieldset>
      <AxisRows name="Across" of={item.across} onChange={(across) => set({ across }, 'across')} />
      <AxisRows name="Up" of={item.up} onChange={(up) => set({ up }, 'up')} />
      <TickRow label="With a grid" on={item.grid} onChange={(grid) => set({ grid })} />
    </>
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
        <IconButton icon={X} label={`Remove ${of.name}`} onClick={onTake} />
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
