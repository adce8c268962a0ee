import { expect, test } from '@jest/globals'
import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import * as similarity from '../ink/similarity.ts'
import { type Stroke, strokePoints } from '../ink/stroke.ts'
import { inkItem } from '../kinds/ink.ts'
import { blankItem, layItem, type Printed, type PrintedItem } from '../kinds/printed.ts'
import { inSight } from '../log/apply.ts'
import { idOf } from '../test/arbitrary.ts'
import { duplicatePage, duplicateSheet } from '../worksheet/change.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { printedTalk } from './printedTalk.ts'
import { Replay } from './replay.ts'

const newId = () => crypto.randomUUID()
const box = { x: 100, y: 100, width: 60, height: 20 }
const stroke: Stroke = {
  id: idOf(1),
  kind: 'stroke',
  ...{ nib: 'pen', colour: '#1e2b3a', width: 2 },
  points: toBase64(
    packPoints([
      { x: 50, y: 60, pressure: 0.5, time: 0 },
      { x: 70, y: 60, pressure: 0.5, time: 100 },
      { x: 90, y: 80, pressure: 0.5, time: 400 },
    ]),
  ),
}
const drawn = inkItem(idOf(10), stroke)
const words = blankItem('text', box, () => idOf(11))
const place = blankItem('typed', box, () => idOf(12))
const before = inkItem(idOf(13), { ...stroke, id: idOf(2) })
const pageOf = (id: string, printed: PrintedItem[]): WorksheetPage => ({
  ...{ id, width: 600, height: 800, printed },
  paper: { kind: 'ruled', ruling: { form: 'plain' } } as WorksheetPage['paper'],
})
const voice: Printed<'voice'> = {
  ...blankItem('voice', box, () => idOf(20)),
  seconds: 10,
  shows: {
    things: [
      [2, drawn.id],
      [4, place.id],
      [5, idOf(99)],
      [6, words.id],
    ],
    turns: [
      [0, idOf(900)],
      [5, idOf(901)],
    ],
  },
}
const pages = [pageOf(idOf(900), [before, drawn, voice]), pageOf(idOf(901), [place, words])]

/** What has come on a page by a second. */
const come = (of: readonly WorksheetPage[], spoken: Printed<'voice'>, page: string, second: number) => {
  const { through } = printedTalk(of, spoken)!
  const there = new Replay(through).at(second).pages.get(page)
  return there ? inSight(there).map(({ item }) => item.id) : []
}

test('what was put there meanwhile comes in its moment; all else is there from the beginning', () => {
  const talk = printedTalk(pages, voice)!
  expect(talk.pages.map(({ printed }) => printed.map(({ id }) => id))).toEqual([
    [before.id, voice.id],
    // Places for answers belong to the page; what was taken away since is nowhere.
    [place.id],
  ])
  expect(come(pages, voice, idOf(900), 1.9)).toEqual([])
  expect(come(pages, voice, idOf(900), 2)).toEqual([drawn.id])
  expect(come(pages, voice, idOf(901), 5.9)).toEqual([])
  expect(come(pages, voice, idOf(901), 10)).toEqual([words.id])
  const under = new Replay(talk.through).at(1.8).written
  expect(under?.page).toBe(idOf(900))
})

test('a stroke that was moved, made larger or turned since comes where it is seen', () => {
  const by = similarity.compose(similarity.about({ x: 0, y: 0 }, 2, 90), similarity.translation(300, 10))
  const laid = layItem(drawn, by)
  const { through } = printedTalk([pageOf(idOf(900), [laid])], voice)!
  const [item] = through.events.flatMap((event) => (event.act === 'add' ? event.items : []))
  const there = strokePoints(item as Stroke).map(({ x, y }) => [Math.round(x), Math.round(y)])
  const wanted = strokePoints(stroke).map((point) => similarity.apply(point, by))
  expect(there).toEqual(wanted.map(({ x, y }) => [Math.round(x), Math.round(y)]))
})

test('a copied page, and a copied worksheet, tell their own things', () => {
  const { page, ids } = duplicatePage(pages[0]!, newId)
  const again = page.printed.find((item) => item.kind === 'voice') as Printed<'voice'>
  expect(come([page], again, page.id, 3)).toEqual([ids.get(drawn.id)])
  expect(again.shows!.turns).toEqual([
    [0, page.id],
    [5, idOf(901)],
  ])
  const sheet = duplicateSheet({ pages, sets: [], questions: [], keys: {} }, newId)
  const own = sheet.pages[0]!.printed.find((item) => item.kind === 'voice') as Printed<'voice'>
  expect(own.shows!.turns.map(([, id]) => id)).toEqual(sheet.pages.map(({ id }) => id))
  expect(come(sheet.pages, own, sheet.pages[1]!.id, 10)).toEqual([sheet.pages[1]!.printed[1]!.id])
})

test('a voice with which nothing comes, or nothing any more, is only heard', () => {
  const { shows: _shows, ...plain } = voice
  expect(printedTalk(pages, plain)).toBeUndefined()
  const bare = [pageOf(idOf(900), [])]
  expect(
    printedTalk(bare, { ...voice, shows: { things: [[2, drawn.id]], turns: [[0, idOf(900)]] } }),
  ).toBeUndefined()
})
