/** One measurement beside its reference, taken in the same run. */
export interface Figure {
  readonly name: string
  readonly value: number
  readonly unit: string
  readonly reference: { readonly name: string; readonly value: number }
  /** What it is held to (quality figures), in words. */
  readonly heldTo: string
}

/** Prints a figure as one line: name, value, reference, ratio, and what it is held to. */
export function say({ name, value, unit, reference, heldTo }: Figure): void {
  const ratio = reference.value === 0 ? '' : ` ratio ${round(value / reference.value)}`
  console.log(
    `${name}: ${round(value)} ${unit} | ${reference.name}: ${round(reference.value)} ${unit} |${ratio} | held to ${heldTo}${verdict(value, unit, reference.value, heldTo)}`,
  )
}

/** How many of the unit of a value make one of the unit of its limit. */
const TIMES: Readonly<Record<string, number>> = {
  's in ms': 1000,
  'KB in bytes': 1024,
  // At 60 a second; a screen's own clock is a little off.
  'frame in ms': 17,
}

/** Whether it is held, where what it is held to begins with a limit: of its value, or (×) of its ratio to the reference. */
function verdict(value: number, unit: string, reference: number, heldTo: string): string {
  const limit = /^(≤|≥) ([\d.,]+) ?(×|s\b|KB|frame)?/.exec(heldTo)
  if (!limit) return ''
  const bound = Number(limit[2]!.replace(/,/g, '')) * (TIMES[`${limit[3]} in ${unit}`] ?? 1)
  const compared = limit[3] === '×' ? value / reference : value
  const isHeld = limit[1] === '≤' ? compared <= bound : compared >= bound
  return isHeld ? ': held' : ': NOT HELD'
}

function round(value: number): string {
  return value >= 100 ? Math.round(value).toLocaleString('en') : value.toPrecision(3)
}

/** The value below which this part (0 to 1) of the samples lie. */
export function percentile(samples: readonly number[], part: number): number {
  const sorted = [...samples].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * part))] ?? 0
}

/** Milliseconds that `work` takes: the median of several runs, after one to warm up. */
export async function timed(work: () => unknown, runs = 5): Promise<number> {
  await work()
  const times: number[] = []
  for (let run = 0; run < runs; run++) {
    const began = performance.now()
    await work()
    times.push(performance.now() - began)
  }
  return percentile(times, 0.5)
}
