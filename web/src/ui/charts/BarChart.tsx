import type { ChartOptions, Plugin } from 'chart.js'
import { Bar } from 'react-chartjs-2'
import { ChartCard } from './ChartCard.tsx'
import { axisLook, chartLook, colourOf } from './chartLook.ts'

export interface ChartBar {
  readonly id: string
  readonly label: string
  /** null: nothing is known; it has no bar. */
  readonly value: number | null
  /** What stands at its end, and in the table. */
  readonly says: string
}

interface BarChartProps {
  title: string
  says: string
  bars: readonly ChartBar[]
  /** What stands over the labels and the values in the table. */
  heads: readonly [string, string]
  /** Along the line of reading, one under another; else upright, side by side. */
  lying?: boolean
  /** The largest value there can be; left out: the largest there is. */
  most?: number
  /** The one that was pressed last. */
  chosen: string | undefined
  onChoose: (id: string) => void
}

const THICK = 34

/**
 * Bars with what they say written at their ends, so that nothing hangs on colour: the one that is chosen has a thick edge.
 * A press opens what lies behind a bar; the table behind the chart does the same by keys.
 */
export function BarChart(props: BarChartProps) {
  const { title, says, bars, heads, lying = false, chosen, onChoose } = props
  return (
    <ChartCard
      title={title}
      says={says}
      chart={
        <div style={{ height: lying ? bars.length * THICK + 30 : 210 }}>
          <Canvas {...props} />
        </div>
      }
      numbers={
        <table className="w-full border-collapse text-left">
          <thead>
            <tr className="border-b border-rule text-ink-soft">
              {heads.map((head) => (
                <th key={head} className="py-1 font-semibold">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {bars.map(({ id, label, says: value }) => (
              <tr key={id} className="border-b border-rule">
                <th scope="row" className="font-normal">
                  <button
                    type="button"
                    aria-pressed={chosen === id}
                    onClick={() => onChoose(id)}
                    className={`min-h-[34px] text-left underline underline-offset-4 pointer-coarse:min-h-11 ${chosen === id ? 'font-bold' : ''}`}
                  >
                    {label}
                  </button>
                </th>
                <td className="tabular">{value}</td>
              </tr>
            ))}
          </tbody>
        </table>
      }
    />
  )
}

function Canvas({ title, says, bars, lying = false, most, chosen, onChoose }: BarChartProps) {
  const top = most ?? Math.max(1, ...bars.map(({ value }) => value ?? 0))
  const values = {
    ...axisLook(true),
    min: 0,
    max: top * 1.12,
    ticks: { display: false },
    grid: { display: false },
  }
  const labels = axisLook(false)
  const options: ChartOptions<'bar'> = {
    ...chartLook(),
    indexAxis: lying ? 'y' : 'x',
    scales: lying ? { x: values, y: labels } : { x: labels, y: values },
    plugins: { tooltip: { enabled: false } },
    onClick: (_event, [hit]) => {
      const bar = hit && bars[hit.index]
      if (bar) onChoose(bar.id)
    },
    // A press anywhere over a label's stretch is meant for its bar: short ones are hard to hit.
    interaction: { mode: 'index', axis: lying ? 'y' : 'x', intersect: false },
    onHover: (event, hits) => {
      const canvas = event.native?.target as HTMLElement | undefined
      if (canvas) canvas.style.cursor = hits.length > 0 ? 'pointer' : 'default'
    },
  }
  return (
    <Bar
      role="img"
      aria-label={`${title}. ${says}`}
      options={options}
      plugins={[valuesAtEnds(bars, lying)]}
      data={{
        labels: bars.map(({ label }) => label),
        datasets: [
          {
            data: bars.map(({ value }) => value),
            backgroundColor: bars.map(({ id }) => colourOf(id === chosen ? 'verdigris' : 'blotter-deep')),
            borderColor: colourOf('ink'),
            borderWidth: bars.map(({ id }) => (id === chosen ? 3 : 1)),
            borderSkipped: false,
            barPercentage: 0.86,
            categoryPercentage: 0.94,
          },
        ],
      }}
    />
  )
}

/** Writes what each bar says at its end; where there is no bar, nothing. */
const valuesAtEnds = (bars: readonly ChartBar[], lying: boolean): Plugin<'bar'> => ({
  id: 'values at ends',
  afterDatasetsDraw(chart) {
    const { ctx } = chart
    ctx.save()
    ctx.fillStyle = colourOf('ink')
    ctx.font = `600 13px ${getComputedStyle(document.body).fontFamily}`
    ctx.textBaseline = lying ? 'middle' : 'bottom'
    ctx.textAlign = lying ? 'left' : 'center'
    for (const [at, { x, y }] of chart.getDatasetMeta(0).data.entries()) {
      const bar = bars[at]
      if (!bar || bar.value === null || (bar.value === 0 && !lying)) continue
      ctx.fillText(bar.says, lying ? x + 7 : x, lying ? y : y - 4)
    }
    ctx.restore()
  },
})
