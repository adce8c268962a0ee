import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  clampView,
  fitView,
  MOST_ZOOM,
  middleOf,
  panBy,
  shownPart,
  toPage,
  toScreen,
  viewBeside,
  zoomAt,
} from './view.ts'

const size = fc.record({
  width: fc.integer({ min: 100, max: 3000 }),
  height: fc.integer({ min: 100, max: 3000 }),
})
const place = fc.record({ x: fc.integer({ min: 0, max: 1000 }), y: fc.integer({ min: 0, max: 800 }) })

test('screen and page are each other’s way back', () => {
  fc.assert(
    fc.property(size, size, place, (page, window, at) => {
      const view = fitView(page, window)
      const back = toScreen(view, toPage(view, at))
      expect(back.x).toBeCloseTo(at.x, 6)
      expect(back.y).toBeCloseTo(at.y, 6)
    }),
  )
})

test('a fitted page shows its whole width, from its top', () => {
  fc.assert(
    fc.property(size, size, (page, window) => {
      const view = fitView(page, window)
      const shown = shownPart(view, window)
      expect(shown.x0).toBeLessThanOrEqual(0)
      expect(shown.x1).toBeGreaterThanOrEqual(page.width - 1e-6)
      expect(shown.y0).toBeLessThanOrEqual(0)
    }),
  )
})

test('however one zooms and pans, some of the page stays in sight and the zoom within bounds', () => {
  const move = fc.record({
    zoom: fc.double({ min: 0.2, max: 5, noNaN: true }),
    at: place,
    dx: fc.integer({ min: -9000, max: 9000 }),
    dy: fc.integer({ min: -9000, max: 9000 }),
  })
  fc.assert(
    fc.property(size, size, fc.array(move, { maxLength: 12 }), (page, window, moves) => {
      const fit = fitView(page, window)
      let view = fit
      for (const { zoom, at, dx, dy } of moves)
        view = panBy(zoomAt(view, at, zoom, page, window), dx, dy, page, window)
      const shown = shownPart(view, window)
      expect(shown.x0).toBeLessThan(page.width)
      expect(shown.x1).toBeGreaterThan(0)
      expect(shown.y0).toBeLessThan(page.height)
      expect(shown.y1).toBeGreaterThan(0)
      expect(view.scale).toBeLessThanOrEqual(fit.scale * MOST_ZOOM * 1.000001)
    }),
  )
})

test('what is under the pointer stays under it while zooming, where the edges allow', () => {
  const page = { width: 600, height: 800 }
  const window = { width: 500, height: 500 }
  const view = zoomAt(fitView(page, window), { x: 250, y: 250 }, 3, page, window)
  const at = { x: 260, y: 240 }
  const before = toPage(view, at)
  const after = toPage(zoomAt(view, at, 1.5, page, window), at)
  expect(after.x).toBeCloseTo(before.x, 6)
  expect(after.y).toBeCloseTo(before.y, 6)
  expect(clampView(view, page, window)).toEqual(view)
})

test('in a run of pages, going on comes to every page, one after the other, and nothing jumps on the way', () => {
  fc.assert(
    fc.property(
      fc.array(size, { minLength: 2, maxLength: 5 }),
      size,
      fc.double({ min: 0.5, max: 4, noNaN: true }),
      (pages, window, zoom) => {
        let at = 0
        const run = () => ({ before: pages[at - 1], after: pages[at + 1] })
        let view = zoomAt(
          fitView(pages[0]!, window),
          { x: window.width / 2, y: 0 },
          zoom,
          pages[0]!,
          window,
          run(),
        )
        const step = Math.max(8, window.height / 7)
        const reached = [0]
        for (const down of [true, false])
          for (let moves = 0; moves < 4000; moves++) {
            const before = view
            view = panBy(view, 0, down ? -step : step, pages[at]!, window, run())
            expect(Math.abs(view.y - before.y)).toBeLessThanOrEqual(step + 1e-6)
            const by = middleOf(view, pages[at]!, window, run())
            if (by === 0 && view.y === before.y) break
            if (by === 0) continue
            const beside = viewBeside(view, pages[at]!, pages[at + by]!, by)
            // Seen from the other page, this one lies where it was.
            const back = viewBeside(beside, pages[at + by]!, pages[at]!, by === 1 ? -1 : 1)
            expect(back.y).toBeCloseTo(view.y, 6)
            at += by
            view = beside
            expect(middleOf(view, pages[at]!, window, run())).toBe(0)
            reached.push(at)
          }
        const down = pages.map((_page, index) => index)
        expect(reached).toEqual([...down, ...down.slice(0, -1).reverse()])
      },
    ),
  )
})
