import { z } from 'zod'
import { boxPath, type Drawn } from '../draw/drawn.ts'
import { voiceLine } from '../draw/voiceLine.ts'
import { overlap } from '../ink/points.ts'
import * as similarity from '../ink/similarity.ts'
import { heard } from '../sound/heard.ts'
import { readPeaks } from '../sound/peaks.ts'
import { talk } from '../talk/talk.ts'
import { boundsOfBox } from '../worksheet/box.ts'
import type { ItemKind } from './itemKind.ts'
import { INK, words } from './lettering.ts'
import { madeId, place } from './lying.ts'
import { spokenSeconds } from './spokenSeconds.ts'

/** A voice note lying at x, y (points). `recording` names its sound; `seconds` is how long it is. */
const schema = z.strictObject({
  id: madeId,
  kind: z.literal('voice'),
  x: place,
  y: place,
  recording: madeId,
  seconds: spokenSeconds,
  /** What the device heard in it; left out where it could not listen. */
  heard: heard.optional(),
  /** The same in words, typed beside it: for those who cannot hear it, and for reading over it. */
  words: words.optional(),
  /** What was done meanwhile, where something was: it can be played with the voice (talk/replay.ts). */
  talk: talk.optional(),
})
export type VoiceNote = z.infer<typeof schema>

export const voice: ItemKind<VoiceNote> = {
  schema,
  moved: (item, by) => {
    const there = similarity.apply(item, by)
    return similarity.isPlace(there) ? there : item
  },
  changed: ({ words: before, ...item }, { x = item.x, y = item.y, words = before }) => ({
    ...item,
    x,
    y,
    ...(words ? { words } : {}),
  }),
  asChange: ({ x, y, words = '' }) => ({ x, y, words }),
  bounds: ({ x, y }) => ({ x0: x, y0: y, x1: x + TAG.width, y1: y + TAG.height }),
  level: 'sign',
  drawn: voiceSign,
  sounds: ({ recording }) => [recording],
  touches: ({ x, y }, box) => overlap(boundsOfBox(box), { x0: x, y0: y, x1: x, y1: y }),
}

/** The tag that it is seen as on a page that is seen whole, in points. */
const TAG = { width: 84, height: 34 }
/** … and its sign on paper. */
const SIGN = { width: 29, height: 22 }

/** On paper: a line of ink in a tag, as on the screen, so that a reader knows there is something to hear. */
function voiceSign({ x, y, heard }: VoiceNote): Drawn[] {
  const line = { x: x + 5, y: y + 4, width: 19, height: 14 }
  return [
    { kind: 'path', d: boxPath({ x, y, ...SIGN }), fill: '#f7f5ef', stroke: INK, width: 0.8 },
    { kind: 'path', d: voiceLine(heard ? readPeaks(heard.peaks) : [], line), stroke: INK, width: 1.8 },
  ]
}
