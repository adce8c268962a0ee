import { type ReactNode, useState } from 'react'
import { OneOf, Option } from '../OneOf.tsx'

interface ChartCardProps {
  title: string
  /** What it shows, in a sentence: for those who hear it, too. */
  says: string
  chart: ReactNode
  /** The same as a table; left out where it stands beside the chart anyway. */
  numbers?: ReactNode
}

/** A chart with its table behind it: one press shows the numbers. */
export function ChartCard({ title, says, chart, numbers }: ChartCardProps) {
  const [as, setAs] = useState<'chart' | 'numbers'>('chart')
  return (
    <figure className="min-w-0 rounded-md border border-rule bg-card p-5">
      <figcaption className="mb-3 flex items-start justify-between gap-x-4">
        <span className="min-w-0">
          <b className="block font-serif text-lg">{title}</b>
          <span className="text-ink-soft">{says}</span>
        </span>
        {numbers && (
          <OneOf label={`${title} as`} value={as} onChoose={setAs} className="flex shrink-0 gap-3">
            {(['chart', 'numbers'] as const).map((each) => (
              <Option
                key={each}
                value={each}
                className={`min-h-[34px] border-b-[3px] px-0.5 pointer-coarse:min-h-11 ${as === each ? 'border-verdigris font-semibold' : 'border-transparent text-ink-soft hover:text-ink'}`}
              >
                {each === 'chart' ? 'Chart' : 'Numbers'}
              </Option>
            ))}
          </OneOf>
        )}
      </figcaption>
      {as === 'chart' || !numbers ? chart : numbers}
    </figure>
  )
}
