import { type ReactNode, useState } from 'react'
import { ChoiceLine } from '../ChoiceLine.tsx'

interface ChartCardProps {
  title: string
  /** What it shows, in a sentence: for those who hear it, too. */
  says: string
  chart: ReactNode
  /** The same as a table; left out where it stands beside the chart anyway. */
  numbers?: ReactNode
}

const NAMES = { chart: 'Chart', numbers: 'Numbers' } as const

/** A chart with its table behind it: one press shows the numbers. */
export function ChartCard({ title, says, chart, numbers }: ChartCardProps) {
  const [as, setAs] = useState<keyof typeof NAMES>('chart')
  return (
    <figure className="min-w-0 rounded-md border border-rule bg-card p-5">
      <figcaption className="mb-3 flex items-start justify-between gap-x-4">
        <span className="min-w-0">
          <b className="block font-serif text-lg">{title}</b>
          <span className="text-ink-soft">{says}</span>
        </span>
        {numbers && <ChoiceLine label={`${title} as`} value={as} names={NAMES} onChoose={setAs} />}
      </figcaption>
      {as === 'chart' || !numbers ? chart : numbers}
    </figure>
  )
}
