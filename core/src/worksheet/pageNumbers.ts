/**
 * Reads pages as people write them: "3, 5–8". Returns their indices, from 0; nothing where it cannot be
 * read or names a page that is not one of `count`.
 */
export function readPageNumbers(text: string, count: number): ReadonlySet<number> | undefined {
  const found = new Set<number>()
  for (const part of text
    .replace(/\s*[-–]\s*/g, '–')
    .split(/[,;\s]+/)
    .filter(Boolean)) {
    const [, first, last = first] = /^(\d{1,4})(?:–(\d{1,4}))?$/.exec(part) ?? []
    const [from, to] = [Number(first), Number(last)]
    if (!(from >= 1 && from <= to && to <= count)) return undefined
    for (let number = from; number <= to; number++) found.add(number - 1)
  }
  return found
}

/** Pages as people write them, from indices: neighbours as "5–8". */
export function sayPageNumbers(pages: Iterable<number>): string {
  const runs: [first: number, last: number][] = []
  for (const page of [...pages].sort((a, b) => a - b)) {
    const run = runs.at(-1)
    if (run && run[1] === page - 1) run[1] = page
    else runs.push([page, page])
  }
  return runs
    .map(([first, last]) => (first === last ? `${first + 1}` : `${first + 1}–${last + 1}`))
    .join(', ')
}

/**
 * Which of `count` pages a list of at most `most` shows when one is on `current`: all, or the first, the
 * last and those around it. Returns indices in order; where one is left out, `undefined` stands once.
 */
export function pagesNear(count: number, current: number, most: number): (number | undefined)[] {
  if (count <= most) return Array.from({ length: count }, (_, index) => index)
  // The first, the last and two gaps take four of the places.
  const around = most - 4
  const from = Math.min(Math.max(current - Math.floor(around / 2), 1), count - 1 - around)
  const middle = Array.from({ length: around }, (_, index) => from + index)
  return [
    0,
    ...(from > 2 ? [undefined] : from === 2 ? [1] : []),
    ...middle,
    ...(from + around < count - 2 ? [undefined] : from + around === count - 2 ? [count - 2] : []),
    count - 1,
  ]
}
