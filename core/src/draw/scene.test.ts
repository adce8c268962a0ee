import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { shinesThrough } from '../ink/stroke.ts'
import { drawnItem, ITEM_KINDS, type Item, kindOfItem } from '../kinds/items.ts'
import { blankItem, PRINTED_KINDS, type PrintedKind } from '../kinds/printed.ts'
import { fromSchema } from '../test/fromSchema.ts'
import { measured } from '../test/measured.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import type { Drawn } from './drawn.ts'
import { scene } from './scene.ts'

const anyItems = fc.array(
  fc.oneof(...Object.values(ITEM_KINDS).map(({ schema }) => fromSchema<Item>(schema as never))),
  { maxLength: 12 },
)
const page: WorksheetPage = {
  id: crypto.randomUUID(),
  width: 595,
  height: 842,
  paper: { kind: 'ruled', ruling: { form: 'squared', colour: '#9fb4c7', side: 5 } },
  printed: (Object.keys(PRINTED_KINDS) as PrintedKind[]).map((kind, index) =>
    blankItem(kind, { x: 40, y: 40 + index * 40, width: 160, height: 30 }, () => crypto.randomUUID()),
  ),
}
const sceneOf = (items: readonly Item[]) => scene(page, items, crypto.randomUUID(), measured)
const isInk = (one: Drawn): one is Extract<Drawn, { kind: 'stroke' }> => one.kind === 'stroke' && !one.lies

test('a page lies from below: what is printed, what was given, things, ink that shines through, other ink, signs', () => {
  fc.assert(
    fc.property(anyItems, (items) => {
      const drawn = sceneOf(items)
      const ink = drawn.filter(isInk)
      const strokes = items.filter((item) => item.kind === 'stroke')
      expect(new Set(ink.map(({ stroke }) => stroke))).toEqual(new Set(strokes))
      const firstOther = ink.findIndex(({ stroke }) => !shinesThrough(stroke))
      if (firstOther >= 0)
        expect(ink.slice(firstOther).every(({ stroke }) => !shinesThrough(stroke))).toBe(true)
      const first = drawn.findIndex(isInk)
      const afterInk = first < 0 ? [] : drawn.slice(first).filter((one) => !isInk(one))
      const signs = items.filter((item) => kindOfItem(item).level === 'sign')
      expect(afterInk).toEqual(first < 0 ? [] : signs.flatMap((sign) => drawnItem(sign, measured)))
    }),
    { numRuns: 60 },
  )
})

test('everything that is seen of an item is in the picture of its page', () => {
  fc.assert(
    fc.property(anyItems, (items) => {
      const drawn = JSON.stringify(sceneOf(items))
      for (const item of items)
        for (const one of drawnItem(item, measured)) expect(drawn).toContain(JSON.stringify(one))
    }),
    { numRuns: 40 },
  )
})
