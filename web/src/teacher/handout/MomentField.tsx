import { useState } from 'react'
import { INPUT } from '../../ui/Field.tsx'
import { isEndOfDay } from '../../ui/when.ts'

interface MomentFieldProps {
  label: string
  /** In milliseconds since 1970; null: none. */
  value: number | null
  hint: string
  /** What a day without a time means: its first minute or its last. */
  aloneMeans: 'start' | 'end'
  onChange: (moment: number | null) => void
}

/** A day by this device's clock, with a time where one is wanted; or nothing. */
export function MomentField({ label, value, hint, aloneMeans, onChange }: MomentFieldProps) {
  const [day, time] = value === null ? ['', ''] : written(value, aloneMeans)
  // A time for which there is no day yet.
  const [alone, setAlone] = useState('')
  const take = (on: string, at: string) => {
    const moment = new Date(`${on}T${at || ALONE[aloneMeans]}`).getTime()
    onChange(on === '' || Number.isNaN(moment) || moment < 0 ? null : moment)
  }
  return (
    <fieldset className="flex w-[270px] flex-col gap-1">
      <legend className="mb-1 font-semibold">{label}</legend>
      <span className="flex gap-2">
        <input
          type="date"
          aria-label={`${label}: day`}
          value={day}
          onChange={(event) => take(event.target.value, time || alone)}
          className={`${INPUT} flex-1`}
        />
        <input
          type="time"
          aria-label={`${label}: time`}
          value={time || alone}
          onChange={(event) => {
            setAlone(day === '' ? event.target.value : '')
            if (day !== '') take(day, event.target.value)
          }}
          className={`${INPUT} !w-[104px]`}
        />
      </span>
      {hint && <p className="text-ink-soft">{hint}</p>}
    </fieldset>
  )
}

const ALONE = { start: '00:00', end: '23:59' }

/** A day and a time by the clock on the wall, as the fields have them; no time where the day alone means it. */
function written(moment: number, aloneMeans: 'start' | 'end'): [day: string, time: string] {
  const date = new Date(moment)
  const local = new Date(moment - date.getTimezoneOffset() * 60_000).toISOString()
  const isStart = date.getHours() === 0 && date.getMinutes() === 0
  const isAlone = aloneMeans === 'end' ? isEndOfDay(date) : isStart
  return [local.slice(0, 10), isAlone ? '' : local.slice(11, 16)]
}
