import { inMm, mm } from '@hand-back/core'
import { type ReactNode, useEffect, useId, useState } from 'react'
import { COLOURS } from '../../../page/strip/swatches.ts'
import { OneOf, Option } from '../../../ui/OneOf.tsx'
import { Tick } from '../../../ui/Tick.tsx'

export const SMALL_INPUT =
  'min-h-[34px] w-full min-w-0 rounded-tag border border-ink-soft/60 bg-sheet px-2 py-1 text-ink'

export function PanelTitle({ children }: { children: ReactNode }) {
  return <h2 className="mb-3 text-xl">{children}</h2>
}

/** A label with its control beside it. */
export function Row({ label, children }: { label: string; children: (id: string) => ReactNode }) {
  const id = useId()
  return (
    <div className="grid grid-cols-[84px_1fr] items-center gap-2">
      <label htmlFor={id}>{label}</label>
      {children(id)}
    </div>
  )
}

export function TextRow({
  label,
  value,
  onChange,
  lines = 1,
  first = false,
  placeholder,
  longest = 300,
}: {
  label: string
  value: string
  onChange: (value: string) => void
  lines?: number
  /** The field that is ready to be typed in when a thing is put down. */
  first?: boolean
  placeholder?: string
  longest?: number
}) {
  const shared = {
    value,
    placeholder,
    maxLength: longest,
    'data-first': first || undefined,
    onChange: (event: { target: { value: string } }) => onChange(event.target.value),
  }
  if (lines === 1)
    return <Row label={label}>{(id) => <input id={id} className={SMALL_INPUT} {...shared} />}</Row>
  return (
    <Stacked label={label}>
      {(id) => <textarea id={id} rows={lines} className={SMALL_INPUT} {...shared} />}
    </Stacked>
  )
}

export function Stacked({
  label,
  id: given,
  children,
}: {
  label: string
  id?: string
  children: (id: string) => ReactNode
}) {
  const own = useId()
  const id = given ?? own
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id}>{label}</label>
      {children(id)}
    </div>
  )
}

/** A number that is taken when it can be read as one within its bounds; else the box shows the last good one when left. */
export function NumberRow({
  label,
  value,
  onChange,
  least = -1e6,
  most = 1e6,
}: {
  label: string
  /** Nothing where several have different ones. */
  value: number | undefined
  onChange: (value: number) => void
  least?: number
  most?: number
}) {
  return (
    <Row label={label}>
      {(id) => <NumberBox id={id} value={value} onChange={onChange} least={least} most={most} />}
    </Row>
  )
}

export function NumberBox({
  value,
  onChange,
  least = -1e6,
  most = 1e6,
  ...rest
}: {
  id?: string
  'aria-label'?: string
  value: number | undefined
  onChange: (value: number) => void
  least?: number
  most?: number
}) {
  const shown = value === undefined ? '' : String(Number(value.toFixed(2)))
  const [text, setText] = useState(shown)
  const [focused, setFocused] = useState(false)
  useEffect(() => {
    if (!focused) setText(shown)
  }, [shown, focused])
  const type = (typed: string) => {
    setText(typed)
    const number = Number(typed.replace(',', '.').replace('−', '-'))
    if (typed.trim() !== '' && Number.isFinite(number) && number >= least && number <= most) onChange(number)
  }
  return (
    <input
      {...rest}
      inputMode="decimal"
      className={`${SMALL_INPUT} tabular min-w-0`}
      placeholder={value === undefined ? 'several' : undefined}
      value={text}
      onFocus={() => setFocused(true)}
      onBlur={() => setFocused(false)}
      onChange={(event) => type(event.target.value)}
    />
  )
}

/** Two lengths of points, shown in millimetres. */
export function PairRow({
  label,
  names,
  values,
  onChange,
}: {
  label: string
  names: readonly [string, string]
  values: readonly [number, number]
  onChange: (index: 0 | 1, value: number) => void
}) {
  return (
    <div className="grid grid-cols-[40px_minmax(0,1fr)_minmax(0,1fr)_auto] items-center gap-1.5">
      <span>{label}</span>
      {([0, 1] as const).map((index) => (
        <NumberBox
          key={index}
          aria-label={names[index]}
          value={inMm(values[index])}
          onChange={(value) => onChange(index, mm(value))}
        />
      ))}
      <span className="text-ink-soft">mm</span>
    </div>
  )
}

export function ChoiceRow<Value extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: Value
  options: readonly (readonly [Value, string])[]
  onChange: (value: Value) => void
}) {
  return (
    <Row label={label}>
      {(id) => (
        <select
          id={id}
          className={SMALL_INPUT}
          value={value}
          onChange={(event) => onChange(event.target.value as Value)}
        >
          {options.map(([each, words]) => (
            <option key={each} value={each}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Row>
  )
}

export function TickRow({
  label,
  on,
  onChange,
}: {
  label: string
  on: boolean
  onChange: (on: boolean) => void
}) {
  return (
    <Tick ticked={on} onTick={onChange} className="!min-h-[30px]">
      {label}
    </Tick>
  )
}

const NO_COLOUR = 'none'

/** A colour from those on offer, or any. */
export function ColourRow({
  label,
  value,
  onChange,
  offer = COLOURS,
  none,
}: {
  label: string
  value: string | null
  onChange: (value: string) => void
  offer?: readonly (readonly [string, string])[]
  /** A word for having no colour, where that is possible. */
  none?: { word: string; choose: () => void }
}) {
  return (
    <div className="flex flex-col gap-1">
      <span>{label}</span>
      <OneOf
        label={label}
        value={value ?? NO_COLOUR}
        onChoose={(colour) => (colour === NO_COLOUR ? none?.choose() : onChange(colour))}
        className="flex flex-wrap items-center gap-1.5"
      >
        {none && (
          <Option
            value={NO_COLOUR}
            className={`min-h-[26px] rounded-tag border px-2 ${value === null ? 'border-2 border-ink bg-sheet' : 'border-rule'}`}
          >
            {none.word}
          </Option>
        )}
        {offer.map(([colour, name]) => (
          <Option
            key={colour}
            value={colour}
            aria-label={name}
            className={`h-[26px] w-[26px] rounded-tag border ${value === colour ? 'border-2 border-ink outline-2 outline-sheet -outline-offset-4' : 'border-rule'}`}
            style={{ background: colour }}
          />
        ))}
        <input
          type="color"
          aria-label={`${label}: any colour`}
          value={value || '#ffffff'}
          onChange={(event) => onChange(event.target.value)}
          className="h-[28px] w-[34px] cursor-pointer rounded-tag border border-rule bg-sheet"
        />
      </OneOf>
    </div>
  )
}
