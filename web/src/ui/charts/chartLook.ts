import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
)

/** A colour of the house, for a canvas: `--color-ink` of `ink`. */
export const colourOf = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--color-${name}`).trim()

/** What is the same in all charts: the house's letters, thin lines, nothing that moves. */
export function chartLook() {
  const { fontFamily, color } = getComputedStyle(document.body)
  return {
    animation: false,
    maintainAspectRatio: false,
    font: { family: fontFamily, size: 13 },
    color,
  } as const
}

/** The lines and letters of an axis. */
export const axisLook = (grid: boolean) => ({
  grid: { display: grid, color: colourOf('rule') },
  border: { color: colourOf('ink-soft') },
  ticks: { color: colourOf('ink'), font: { family: getComputedStyle(document.body).fontFamily, size: 13 } },
})
