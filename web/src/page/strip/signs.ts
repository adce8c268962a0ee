import { createLucideIcon } from 'lucide-react'

/** Our own signs of the row of tools, in the grid and line of the others: a piece of writing, and what is done to it. */
const WRITING = 'M7.5 12.5c1-3.6 2.4-3.6 3.5-.9s2.6 2.7 5-1'

export const LoopSign = createLucideIcon('loop', [
  ['path', { d: WRITING, key: 'writing' }],
  [
    'path',
    {
      d: 'M21.5 6C15 2.4 2.5 4 2.5 12.2c0 5 4.5 8.5 9.5 8.5s9.5-3.5 9.5-8.5c0-4.4-2.3-7.7-5.5-9.7',
      key: 'around',
    },
  ],
])

export const BoxSign = createLucideIcon('box', [
  ['path', { d: WRITING, key: 'writing' }],
  ['path', { d: 'M3 4.5h18v15H3z', strokeDasharray: '3.4 3.2', strokeDashoffset: '1.7', key: 'around' }],
])

/** A line that is going, to its end. */
export const RubWholeSign = createLucideIcon('rub-whole', [
  ['path', { d: 'M2.5 12c1.6-4.4 3.4-6 5-5', key: 'left' }],
  ['path', { d: 'M9.8 10c2.6 6 5.7 4.5 11.7-4', strokeDasharray: '0.1 3.6', key: 'going' }],
  ['path', { d: 'M6 18.5h.01M10.5 20.5h.01M15 18h.01M19 20h.01', key: 'crumbs' }],
])

/** A line, broken where it was rubbed. */
export const RubHereSign = createLucideIcon('rub-here', [
  ['path', { d: 'M2.5 12.5C4 8.5 5.5 6.5 7.2 6.6M16.3 13.4c1.6-.2 3.4-1.6 5.2-4.4', key: 'left' }],
  ['path', { d: 'M10 20h.01M14 18.5h.01M11.5 15.8h.01', key: 'crumbs' }],
])

/** Small writing on its line, and the same large under it. */
export const WriteLargeSign = createLucideIcon('write-large', [
  ['path', { d: 'M3 6.5h18', key: 'line' }],
  ['path', { d: 'M5 4c.7-1.8 1.4-1.8 2-.4s1.2 1.2 2-.4', key: 'small' }],
  ['path', { d: 'M3.5 18.5c3-9.5 6-9.5 8-2.2s5 6.5 9.5-3', key: 'large' }],
])

/** A note: words on a ground of their own, with an edge. */
export const NoteSign = createLucideIcon('note', [
  ['path', { d: 'M3 5.5h18v13H3z', key: 'ground' }],
  ['path', { d: 'M5.5 5.5v13', strokeWidth: '3.2', key: 'edge' }],
  ['path', { d: 'M10 10h7.5M10 14h5', key: 'words' }],
])

/** A voice: from a mouth, a line that swells. */
export const SpeakSign = createLucideIcon('speak', [
  ['circle', { cx: '3.8', cy: '12', r: '1.7', fill: 'currentColor', key: 'mouth' }],
  ['path', { d: 'M7.5 12c.8-2.2 1.7-2.2 2.5 0s1.9 4.5 3.1 0S15.5 5 16.7 12s2.6 9 4.8-3', key: 'line' }],
])

/** A part of a round figure, coloured to its lines. */
export const FillSign = createLucideIcon('fill', [
  ['path', { d: 'M21 12a9 9 0 1 1-9-9v9zM12 3a9 9 0 0 1 9 9M15 4v5M18 6v3', key: 'part' }],
])

/** Half a round with its degrees, and an arm. */
export const ProtractorSign = createLucideIcon('protractor', [
  ['path', { d: 'M2.5 18.5a9.5 9.5 0 0 1 19 0zM12 18.5 16.6 6', key: 'half' }],
])

/** A point, a pencil, and what holds them apart. */
export const CompassesSign = createLucideIcon('compasses', [
  ['path', { d: 'M12 2.5v3M12 5.5 5.5 21M12 5.5 18.5 21M8.5 14h7', key: 'legs' }],
])
