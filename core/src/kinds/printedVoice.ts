import { z } from 'zod'
import { boxPath, type Drawn, linePath, type Measure } from '../draw/drawn.ts'
import { voiceLine } from '../draw/voiceLine.ts'
import { heard } from '../sound/heard.ts'
import { readPeaks } from '../sound/peaks.ts'
import { shows } from '../talk/shows.ts'
import { fileId } from '../worksheet/paper.ts'
import { INK, words } from './lettering.ts'
import { lying } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'
import { spokenSeconds } from './spokenSeconds.ts'

const schema = z.object({
  ...lying,
  kind: z.literal('voice'),
  file: fileId,
  seconds: spokenSeconds,
  /** What the device heard in it; left out where it could not listen. */
  heard: heard.optional(),
  /** The same in words: for those who cannot hear it, and for reading over it. */
  said: words,
  /** What was put on the pages while it was spoken, where something was: it can be watched (talk/printedTalk.ts). */
  shows: shows.optional(),
})
export type PrintedVoice = z.infer<typeof schema>

/** How large a printed voice is, in points: a line of a voice that begins to play, and how long it is. */
export const PRINTED_VOICE = { width: 104, height: 28 }

/** A voice that a teacher put on a page: a direction, a text read aloud, an example talked through. */
export const printedVoice: PrintedKind<PrintedVoice> = {
  schema,
  reshapes: 'in shape',
  blank: (lies) => ({ ...lies, kind: 'voice', file: '0'.repeat(64), seconds: 0, said: '' }),
  drawn: drawnVoice,
  words: ({ said }) => said,
  films: ({ file }) => [file],
  sent: (item, nameOf) => ({ ...item, file: nameOf({ kind: 'film', file: item.file }) }),
}

function drawnVoice({ seconds, heard, ...box }: PrintedVoice, _measure: Measure): Drawn[] {
  const { x, y, height: high } = box
  const at = (across: number, down: number) => ({ x: x + high * across, y: y + high * down })
  const line = { x: x + high * 0.95, y: y + high * 0.22, width: high * 1.45, height: high * 0.56 }
  return [
    { kind: 'path', d: boxPath(box), fill: '#f7f5ef', stroke: INK, width: 0.8 },
    { kind: 'path', d: linePath([at(0.34, 0.28), at(0.72, 0.5), at(0.34, 0.72)], true), fill: INK },
    { kind: 'path', d: voiceLine(heard ? readPeaks(heard.peaks) : [], line), stroke: INK, width: 1.4 },
    {
      kind: 'text',
      text: minutes(seconds),
      ...at(2.55, 0.63),
      colour: INK,
      face: 'plain',
      size: high * 0.4,
      bold: true,
    },
  ]
}

/** Minutes and seconds: 0:42. */
function minutes(seconds: number): string {
  const whole = Math.round(seconds)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}
