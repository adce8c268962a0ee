import { type Box, mm, type PrintedItem } from '@hand-back/core'

/** What a teacher can put on a page, by the names on the screen. Sizes are those of a press without a drag, in mm. */
interface Kind {
  readonly name: string
  readonly size: readonly [width: number, height: number]
  make(box: Box): PrintedItem
}

const id = () => crypto.randomUUID()
const INK = '#1e2b3a'
const lying = (box: Box) => ({ id: id(), ...box })

/** The kinds that are put down by a press or a drag. A new one is one entry here and its line in `GROUPS`. */
export const KINDS = {
  text: {
    name: 'Text',
    size: [80, 8],
    make: (box) => ({
      ...lying(box),
      kind: 'text',
      text: '',
      face: 'reading',
      size: 14,
      bold: false,
      colour: INK,
      align: 'left',
      list: 'none',
    }),
  },
  direction: {
    name: 'Direction',
    size: [80, 12],
    make: (box) => ({ ...lying(box), kind: 'direction', text: '', size: 13, tone: 'slate' }),
  },
  formula: {
    name: 'Formula',
    size: [26, 10],
    make: (box) => ({
      ...lying(box),
      kind: 'formula',
      latex: '',
      drawing: { path: '', width: 0, ascent: 0, descent: 0 },
      colour: INK,
    }),
  },
  link: {
    name: 'Link',
    size: [50, 9],
    make: (box) => ({
      ...lying(box),
      kind: 'link',
      text: 'Look here',
      size: 13,
      to: { kind: 'web', url: '' },
    }),
  },
  typed: {
    name: 'Typed box',
    size: [45, 10],
    make: (box) => ({ ...lying(box), kind: 'typed', label: '', takes: 'line', size: 14 }),
  },
  choice: {
    name: 'Choice',
    size: [60, 24],
    make: (box) => ({
      ...lying(box),
      kind: 'choice',
      label: '',
      options: ['Yes', 'No'].map((text) => ({ id: id(), text })),
      many: false,
      across: false,
      size: 13,
    }),
  },
  drop: {
    name: 'Place to drop',
    size: [45, 20],
    make: (box) => ({ ...lying(box), kind: 'drop', label: '' }),
  },
  speak: {
    name: 'Place to speak',
    size: [60, 20],
    make: (box) => ({ ...lying(box), kind: 'speak', label: '' }),
  },
  photo: {
    name: 'Place for a photo',
    size: [70, 52],
    make: (box) => ({ ...lying(box), kind: 'photo', label: '' }),
  },
  card: {
    name: 'Card',
    size: [32, 12],
    make: (box) => card(box, false),
  },
  stack: {
    name: 'Stack that never ends',
    size: [20, 12],
    make: (box) => card(box, true),
  },
  line: {
    name: 'Line or arrow',
    size: [50, 0],
    make: (box) => shape(box, 'line'),
  },
  shape: {
    name: 'Shape',
    size: [40, 28],
    make: (box) => shape(box, 'rectangle'),
  },
  plot: {
    name: 'Axes and curves',
    size: [90, 70],
    make: (box) => ({
      ...lying(box),
      kind: 'plot',
      across: { from: -5, to: 5, step: 1, label: 'x' },
      up: { from: -5, to: 5, step: 1, label: 'y' },
      grid: true,
      curves: [{ formula: 'x + 1', colour: '#2457a6' }],
      parameters: [],
    }),
  },
} as const satisfies Record<string, Kind>

function card(box: Box, stack: boolean): PrintedItem {
  return {
    ...lying(box),
    kind: 'card',
    face: { kind: 'text', text: stack ? '→' : 'Card', size: 14 },
    tint: '#f7f5ef',
    stack,
  }
}

function shape(box: Box, form: 'line' | 'rectangle'): PrintedItem {
  return {
    ...lying(box),
    kind: 'shape',
    form,
    colour: INK,
    line: 1.5,
    fill: null,
    dashed: false,
    rising: false,
    heads: 'none',
  }
}

/** What a press on the page can put there: the kinds above, the teacher's own ink, a question's area. */
export type KindName = keyof typeof KINDS | 'ink' | 'question'
/** Choices that open something first. */
export type OpenerName = 'picture' | 'part'

/** The list at the side, by what one wants to do. */
export const GROUPS: readonly (readonly [string, readonly (KindName | OpenerName)[]])[] = [
  ['Tell', ['text', 'direction', 'picture', 'part', 'formula', 'link']],
  ['Ask', ['typed', 'choice', 'drop', 'speak', 'photo']],
  ['Move', ['card', 'stack']],
  ['Draw', ['line', 'shape', 'plot', 'ink']],
  ['Mark', ['question']],
]

const OTHER_NAMES: Record<string, string> = {
  picture: 'Picture',
  part: 'Part of a page',
  ink: 'My ink',
  question: 'Question area',
}

export function kindName(kind: KindName | OpenerName): string {
  return kind in KINDS ? KINDS[kind as keyof typeof KINDS].name : OTHER_NAMES[kind]!
}

/** The name of a thing that is there. */
export function itemName(item: PrintedItem): string {
  if (item.kind === 'card') return item.stack ? 'Stack' : 'Card'
  if (item.kind === 'shape') return item.form === 'line' ? 'Line' : 'Shape'
  if (item.kind === 'piece') return 'Part of a page'
  return kindName(item.kind)
}

/** The size of a press without a drag, in points. */
export function pressSize(kind: keyof typeof KINDS): { width: number; height: number } {
  const [width, height] = KINDS[kind].size
  return { width: mm(width), height: mm(height) }
}
