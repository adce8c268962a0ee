import type { ChartOptions } from 'chart.js'
import { Line } from 'react-chartjs-2'
import { axisLook, chartLook, colourOf } from './chartLook.ts'

export interface ChartLine {
  readonly name: string
  /** One for each label, in per cent; null: none. */
  readonly values: readonly (number | null)[]
  readonly form: 'full' | 'dashed'
}

/** Per cent over time: lines that differ in their dashes and points, not in colour alone. */
export function LineChart({
  says,
  labels,
  lines,
}: {
  says: string
  labels: readonly string[]
  lines: readonly ChartLine[]
}) {
  const options: ChartOptions<'line'> = {
    ...chartLook(),
    scales: {
      x: axisLook(false),
      y: { ...axisLook(true), min: 0, max: 100, ticks: { ...axisLook(true).ticks, stepSize: 25 } },
    },
    plugins: { tooltip: { enabled: true, animation: false } },
    interaction: { mode: 'index', intersect: false },
    layout: { padding: { top: 8, right: 8 } },
  }
  return (
    <Line
      role="img"
      aria-label={says}
      options={options}
      data={{
        labels: [...labels],
        datasets: lines.map(({ name, values, form }) => ({
          label: name,
          data: [...values],
          spanGaps: true,
          // A point at the very edge is whole.
          clip: false as const,
          borderColor: colourOf(form === 'full' ? 'ink' : 'ink-soft'),
          backgroundColor: colourOf(form === 'full' ? 'ink' : 'sheet'),
          borderWidth: form === 'full' ? 2.5 : 1.5,
          borderDash: form === 'full' ? [] : [6, 5],
          pointRadius: form === 'full' ? 5 : 4,
          pointStyle: form === 'full' ? ('circle' as const) : ('rect' as const),
        })),
      }}
    />
  )
}
