import {
  around,
  type Box,
  blankItem,
  CALLS,
  MOST_THINGS_SHOWN,
  PRINTED_VOICE,
  type Printed,
  type Sheet,
  secondAt,
  seenBox,
  timesA4,
} from '@hand-back/core'
import { upload } from '../../api/ask.ts'
import type { Made } from '../../page/voice/speaking.ts'
import type { SheetStore } from './sheetStore.ts'

/** How far a voice stands above what it speaks of, in points. */
const ABOVE = 6

/**
 * Sends what was spoken while a worksheet is prepared, and puts it on its page: above what was put there meanwhile, else
 * in the middle of what is seen. `onPart`: how much of it has gone, 0 to 1. Rejects with a `Problem` when it cannot be sent.
 */
export async function putVoice(
  store: SheetStore,
  worksheet: string,
  made: Made,
  middle: { x: number; y: number },
  onPart: (part: number) => void,
): Promise<void> {
  const { file } = await upload(CALLS.bringInFilm, { worksheet }, [new File([made.bytes], made.id)], onPart)
  const { sheet, at } = store.view.getState()
  const page = sheet.pages.find(({ id }) => id === made.page) ?? sheet.pages.find(({ id }) => id === at)!
  const shows = showsOf(made, sheet)
  const own = new Set(shows?.things.map(([, id]) => id))
  const boxes = page.printed.flatMap((item) => (own.has(item.id) ? [seenBox(item)] : []))
  const times = timesA4(page)
  const size = { width: PRINTED_VOICE.width * times, height: PRINTED_VOICE.height * times }
  const box = within(page, boxes.length > 0 ? above(boxes, size) : { ...centred(middle, size), ...size })
  const item: Printed<'voice'> = {
    // By its recording's name: what is on a page is not offered again.
    ...blankItem('voice', { ...box }, () => crypto.randomUUID()),
    id: made.id,
    file,
    seconds: made.seconds,
    said: made.words,
    ...(made.heard ? { heard: made.heard } : {}),
    ...(shows ? { shows } : {}),
  }
  store.turnTo(page.id)
  store.put([item])
}

/** What was put on the pages while it was spoken, and is still there. */
function showsOf({ talk, things = [] }: Made, { pages }: Sheet): Printed<'voice'>['shows'] {
  if (!talk) return undefined
  const there = new Set(pages.flatMap(({ printed }) => printed.map(({ id }) => id)))
  const when = new Map(things.filter(([, id]) => there.has(id)).map(([moment, id]) => [id, moment]))
  const shown = [...when]
    .sort(([, one], [, other]) => one - other)
    .slice(0, MOST_THINGS_SHOWN)
    .map(([id, moment]): [number, string] => [secondAt(talk, moment), id])
  return shown.length > 0 || talk.turns.length > 1 ? { things: shown, turns: talk.turns } : undefined
}

function above(boxes: readonly Box[], size: { width: number; height: number }): Box {
  const { x, y } = around(boxes)
  return { x, y: y - size.height - ABOVE, ...size }
}

const centred = (at: { x: number; y: number }, { width, height }: { width: number; height: number }) => ({
  x: at.x - width / 2,
  y: at.y - height / 2,
})

function within(page: { width: number; height: number }, box: Box): Box {
  const { width, height } = box
  const kept = (at: number, size: number, room: number) => Math.max(0, Math.min(at, room - size))
  return { x: kept(box.x, width, page.width), y: kept(box.y, height, page.height), width, height }
}
