import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { clampView, fitView, MOST_ZOOM, panBy, shownPart, toPage, toScreen, zoomAt } from './view.ts'

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
