import { describe, expect, test } from '@jest/globals'
import { cleanContent } from './cleanContent.ts'
import { operationsOf } from './contentTokens.ts'

const nothing = { property: () => false, object: () => false }

describe('reading a content stream', () => {
  test.each([
    ['q 1 0 0 1 5 5 cm Q', ['q', 'cm', 'Q']],
    ['BT /F1 12 Tf (a \\) (b) c) Tj [(x) -20 <4142>] TJ ET', ['BT', 'Tf', 'Tj', 'TJ', 'ET']],
    ['/Span <</ActualText (EMC) /K [1 2]>> BDC (t) Tj EMC % Tj\nn', ['BDC', 'Tj', 'EMC', 'n']],
    ['BI /W 1 /H 1 ID \x00EI\xff\x01 EI Q', ['BI', 'Q']],
    ['1 0 0 rg]0 0 m', ['rg', ']', 'm']],
    ['(never ends', []],
  ])('%s', (content, operators) => {
    expect([...operationsOf(content)].map(({ operator }) => operator)).toEqual(operators)
  })

  test('without anything to hide, all that draws stays as it is', () => {
    const content = 'q\n0.5 g\n10 10 m\n20 20 l\nS\nBT\n/F1 9 Tf\n(tide) Tj\nET\nQ'
    expect(cleanContent(content, nothing).content).toBe(content)
  })
})

describe('cleaning', () => {
  test('what lies on a hidden layer is gone, and what comes after lies where it lay', () => {
    const content =
      '/OC /Answers BDC q 2 0 0 2 0 0 cm BT /F1 9 Tf (secret) Tj 1 2 (also) " ET 0 0 9 9 re f /Im1 Do Q 1 0 0 rg EMC (seen) Tj'
    const { content: left, used } = cleanContent(content, {
      ...nothing,
      property: (name) => name === 'Answers',
    })
    expect(left).not.toMatch(/secret|also|re|Do|Answers/)
    expect(left).toMatch(/2 0 0 2 0 0 cm/)
    expect(left).toMatch(/1 0 0 rg/)
    expect(left).toMatch(/\(seen\) Tj/)
    expect([...used.XObject]).toEqual([])
  })

  test('a layer inside a hidden one is hidden too, and ends with it', () => {
    const content = '/OC /No BDC /OC /Yes BDC (a) Tj EMC (b) Tj EMC (c) Tj'
    const { content: left } = cleanContent(content, { ...nothing, property: (name) => name === 'No' })
    expect(left).not.toMatch(/\(a\)|\(b\)/)
    expect(left).toMatch(/\(c\)/)
  })

  test('texts that stand in for what is shown are gone; resources are those that are named', () => {
    const { content, used } = cleanContent(
      '/Span <</ActualText (42)>> BDC /F#31 8 Tf (x) Tj EMC /Cs1 cs /P1 scn /Gs gs /Sh sh /X Do /Hid Do',
      { ...nothing, object: (name) => name === 'Hid' },
    )
    expect(content).not.toMatch(/42|Hid/)
    expect(Object.fromEntries(Object.entries(used).map(([kind, names]) => [kind, [...names]]))).toEqual({
      XObject: ['X'],
      Font: ['F1'],
      ExtGState: ['Gs'],
      ColorSpace: ['Cs1'],
      Pattern: ['P1'],
      Shading: ['Sh'],
      Properties: [],
    })
  })
})
