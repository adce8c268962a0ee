import type { Hand } from './handwriting.ts'
import { seeded } from './seeded.ts'

/** Letters that some form otherwise than others, in the grid of `glyphs.ts`. */
const OTHER_FORMS: readonly Readonly<Record<string, string>>[] = [
  { '1': '3.2|1.8,10.5 1.75,5 1.7,0' },
  { '1': '3.6|0.4,7.6 2,10.5 1.9,5 1.8,0;0.6,0.1 3.2,0' },
  { '7': '5|0.4,10.2 2.6,10.4 4.6,10.3 3,5.4 1.8,0' },
  { '4': '5.2|4,0 3.9,5 3.8,10.5 2,7 0.4,3.4 2.8,3.3 5,3.4' },
  { '2': '5|0.6,8.6 2.4,10.6 4.2,8.6 2.6,4.6 0.8,0.6 1.6,1.4 1.2,0 3,0.4 4.8,0.2' },
  { '9': '5|4.2,8.6 2.4,10.4 0.8,8.4 1.8,6 4,6.8 4.3,9 3.8,3 2.2,0.2 0.8,0.6' },
  { '0': '5.2|2.4,10.5 4.4,9 4.8,4 3.2,0.2 1.2,1 0.5,5 1.2,9.4 2.6,10.5' },
  { '5': '5|1.1,10.2 0.9,6 2.8,6.4 4.6,4.4 3.8,1 1.8,0 0.4,1.2;1.1,10.2 2.8,10.3 4.6,10.4' },
  { a: '5|1,5.4 2.8,6 4.2,4.6 4.3,1 4.4,0.2;4.2,3.4 2,3.4 0.6,1.8 1.8,0.2 4.2,1.2' },
  { e: '4.6|4,4.4 2.8,6 1,5 0.6,2.4 2,0.2 4.2,0.8;0.7,3 2.4,3.2 4,3.4' },
  { t: '3.6|0.2,6.4 1.8,6.4 3.6,6.5;1.9,9.4 1.7,4 1.7,0' },
  { r: '3.8|0.8,5.8 0.9,1 1,0.1 1.6,4 2.6,5.8 3.6,5.2' },
  { h: '5|0.7,11 0.6,0.2 1.2,4.4 3,5.6 4,3.6 4.1,0.3 4.8,0.2' },
  { m: '7.4|0.5,5.4 1,5.8 1.2,0.2;1.2,4 2.4,5.8 3.4,5 3.6,0.2;3.6,4 5,5.8 6,5 6.2,0.2 6.9,0.3' },
]

/** Somebody's handwriting, always the same for the same number: how large, slanted, wide, unsteady, and how some letters are formed. */
export function madeHand(number: number, makeId: () => string): Hand {
  const own = seeded(number * 7919 + 11)
  const forms = Object.assign({}, ...OTHER_FORMS.filter(() => own() < 0.4))
  return {
    random: own,
    makeId,
    size: 6.5 + own() * 6,
    slant: -0.12 + own() * 0.5,
    wobble: 0.3 + own() * 0.8,
    wide: 0.78 + own() * 0.5,
    colour: '#1e2b3a',
    width: 1.4 + own() * 1.2,
    forms,
  }
}
