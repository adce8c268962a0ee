import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import { NIBS, type Stroke, strokePoints, strokeWidth } from '../ink/stroke.ts'
import { NotInkML, readInkML } from './readInkML.ts'
import { writeInkML } from './writeInkML.ts'

const PAGE = { width: 595, height: 842 }
const coordinate = fc.integer({ min: -5000, max: 90_000 }).map((hundredths) => hundredths / 100)
const point = fc.record({
  x: coordinate,
  y: coordinate,
  pressure: fc.integer({ min: 0, max: 255 }).map((steps) => steps / 255),
  time: fc.nat(100_000),
})
const stroke: fc.Arbitrary<Stroke> = fc
  .record({
    id: fc.uuid(),
    nib: fc.constantFrom(...NIBS),
    colour: fc.constantFrom('#1e2b3a', '#d22f2f', '#8fd3a6'),
    width: fc.integer({ min: 2, max: 4000 }).map((hundredths) => hundredths / 100),
    points: fc.array(point, { minLength: 1, maxLength: 40 }),
  })
  .map(({ points, ...rest }) => ({
    ...rest,
    kind: 'stroke',
    points: toBase64(
      packPoints(
        points
          .sort((a, b) => a.time - b.time)
          .map((each) => ({ ...each, time: each.time - points[0]!.time })),
      ),
    ),
  }))

const read = (inner: string) => readInkML(`<ink xmlns="http://www.w3.org/2003/InkML">${inner}</ink>`)

describe('InkML', () => {
  test('there and back, nothing of the ink is lost', () => {
    fc.assert(
      fc.property(fc.array(stroke, { minLength: 1, maxLength: 6 }), (strokes) => {
        const { traces, isSized } = readInkML(writeInkML(strokes, PAGE))
        expect(isSized).toBe(true)
        expect(traces).toHaveLength(strokes.length)
        for (const [index, { nib, colour, width, points }] of traces.entries()) {
          const of = strokes[index]!
          expect({ nib, colour }).toEqual({ nib: of.nib, colour: of.colour })
          expect(width).toBeCloseTo(strokeWidth(of), 4)
          expect(packPoints(points)).toEqual(packPoints(strokePoints(of)))
        }
      }),
    )
  })

  test('a stroke that was moved is where it lies', () => {
    const drawn = fc.sample(stroke, { numRuns: 1, seed: 5 })[0]!
    const moved: Stroke = { ...drawn, lies: { a: 2, b: 0, e: 100, f: 50 } }
    const [trace] = readInkML(writeInkML([moved], PAGE)).traces
    expect(trace!.width).toBeCloseTo(drawn.width * 2, 3)
    expect(trace!.points[0]!.x).toBeCloseTo(strokePoints(drawn)[0]!.x * 2 + 100, 1)
  })

  test('differences, differences of differences, and what is left out (InkML 3.2.1)', () => {
    const { traces, isSized } = read(
      `<trace>1125 18432,'23'43,"7"-8,3-5,7 -3,6 2,6 8,3 6,2 4,*5,3 6,3 6</trace>`,
    )
    expect(isSized).toBe(false)
    const places = traces[0]!.points.map(({ x, y }) => [x, y])
    expect(places.slice(0, 5)).toEqual([
      [1125, 18432],
      [1148, 18475],
      [1178, 18510],
      [1211, 18540],
      [1251, 18567],
    ])
  })

  test('formats by reference, groups, units and resolutions', () => {
    const { traces, isSized } = read(`
      <definitions>
        <traceFormat xml:id="mm"><channel name="T" units="s"/><channel name="Y" units="mm"/><channel name="X" units="mm"/></traceFormat>
        <inkSource xml:id="tablet"><traceFormat><channel name="X"/><channel name="Y"/></traceFormat>
          <sourceProperty name="x" value="1"/><channelProperties>
          <channelProperty channel="X" name="resolution" value="10" units="1/mm"/><channelProperty channel="Y" name="resolution" value="10" units="1/mm"/>
        </channelProperties></inkSource>
        <context xml:id="a" traceFormatRef="#mm"/><context xml:id="b" inkSourceRef="#tablet"/>
        <brush xml:id="red"><brushProperty name="color" value="#FF0000"/><brushProperty name="width" value="2" units="mm"/></brush>
      </definitions>
      <traceGroup contextRef="#a" brushRef="#red"><trace>1.5 10 25.4, 2 20 25.4</trace></traceGroup>
      <trace contextRef="#b">254 508</trace>`)
    expect(isSized).toBe(true)
    expect(traces[0]).toMatchObject({ nib: 'pen', colour: '#ff0000' })
    expect(traces[0]!.width).toBeCloseTo(5.67, 2)
    expect(traces[0]!.points.map(({ x, time }) => [Math.round(x), time])).toEqual([
      [72, 0],
      [72, 500],
    ])
    expect(Math.round(traces[1]!.points[0]!.y)).toBe(144)
  })

  test('what is no ink says so', () => {
    for (const text of [
      '',
      'words',
      '<svg/>',
      '<ink',
      '<ink><trace/></ink>',
      '<ink><trace>a b</trace></ink>',
    ])
      expect(() => readInkML(text)).toThrow(NotInkML)
    // Neither a bomb of entities nor a deep nest takes it down.
    const bomb = '<!DOCTYPE ink [<!ENTITY a "1 2">]><ink><trace>&a;</trace></ink>'
    expect(() => readInkML(bomb)).toThrow(NotInkML)
    expect(() => readInkML(`${'<a>'.repeat(20_000)}`)).toThrow(NotInkML)
  })
})
