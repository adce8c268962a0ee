import { z } from 'zod'
import { box } from '../worksheet/box.ts'
import { paper } from '../worksheet/paper.ts'
import { WHOLE } from '../worksheet/recipe.ts'
import { alt } from './lettering.ts'
import { lyingTurned } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'

/** Part of another page: `part` (points) of its paper, whose whole size as seen is `whole`. */
const schema = z.object({
  ...lyingTurned,
  kind: z.literal('piece'),
  paper,
  whole: z.object({ width: z.number().positive(), height: z.number().positive() }),
  part: box,
  alt,
})
export type Piece = z.infer<typeof schema>

export const piece: PrintedKind<Piece> = {
  schema,
  turns: true,
  reshapes: 'in shape',
  blank: (lies) => ({
    ...lies,
    kind: 'piece',
    paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#ffffff' } },
    whole: { width: lies.width || 1, height: lies.height || 1 },
    part: { x: 0, y: 0, width: lies.width, height: lies.height },
    alt: '',
  }),
  drawn: ({ paper, whole, part, ...box }) => [{ kind: 'piece', paper, whole, part, box }],
  words: (item) => item.alt,
  files: ({ paper }) => (paper.kind === 'ruled' ? [] : [paper.file]),
  sent: (item, nameOf) => {
    const { paper, whole, part, kind: _kind, ...rest } = item
    if (paper.kind === 'ruled') return item
    return { ...rest, kind: 'picture', file: nameOf({ kind: 'part', paper, whole, part }), crop: WHOLE }
  },
}
