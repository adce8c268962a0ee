import type { CopyRow } from '@hand-back/core'

/**
 * What stands at each seat, by copy: a first name, with as much of the last as tells two apart; a group's name, or a
 * number where names are hidden, as it is.
 */
export function seatNames(rows: readonly CopyRow[], hidden: boolean): ReadonlyMap<string, string> {
  const parts = rows.map(({ id, name, shared }) => {
    const [first = name, ...rest] = name.split(' ')
    return { id, name, first, last: rest.join(' '), whole: shared || hidden || rest.length === 0 }
  })
  return new Map(
    parts.map(({ id, name, first, last, whole }) => {
      if (whole) return [id, name]
      const alike = parts.filter((other) => other.id !== id && !other.whole && other.first === first)
      if (alike.length === 0) return [id, first]
      const letters = lettersApart(
        last,
        alike.map((other) => other.last),
      )
      return [id, letters >= last.length ? name : `${first} ${last.slice(0, letters)}.`]
    }),
  )
}

/** How many letters of a name tell it from others. */
function lettersApart(name: string, others: readonly string[]): number {
  let letters = 1
  while (letters < name.length && others.some((other) => other.startsWith(name.slice(0, letters)))) letters++
  return letters
}
