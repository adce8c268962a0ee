import type { Hand } from '@hand-back/core/test/handwriting.ts'
import { seeded } from '@hand-back/core/test/seeded.ts'

/** The hand of a student of the class: everybody writes a little differently, and always the same. */
export function studentsHand(index: number, makeId: () => string): Hand {
  const own = seeded(index * 97 + 5)
  return {
    random: own,
    makeId,
    size: 8 + own() * 2.6,
    slant: own() * 0.28,
    wobble: 0.35 + own() * 0.6,
    colour: '#1e2b3a',
    width: 1.6 + own() * 0.7,
  }
}

export function teachersHand(random: () => number, makeId: () => string): Hand {
  return { random, makeId, size: 8.6, slant: 0.22, wobble: 0.35, colour: '#a83a2e', width: 1.7 }
}

/** A UUID whose digits come from a seed: the demo is the same each time. */
export function seededId(random: () => number): string {
  const digits = Array.from({ length: 32 }, () => Math.floor(random() * 16).toString(16))
  digits[12] = '4'
  digits[16] = '8'
  const text = digits.join('')
  return [text.slice(0, 8), text.slice(8, 12), text.slice(12, 16), text.slice(16, 20), text.slice(20)].join(
    '-',
  )
}
