import { expect, test } from '@jest/globals'
import { captions, countCaptions } from './captions.ts'

const FILE = `WEBVTT - the tide

NOTE made by hand

1
00:00.000 --> 00:02.500 align:start
In it comes.

01:00:03.000 --> 01:00:05.000
And out it goes.
`

test('captions are counted by their times, however lines end', () => {
  expect(countCaptions(FILE)).toBe(2)
  expect(countCaptions(`\uFEFF${FILE.replace(/\n/g, '\r\n')}`)).toBe(2)
})

test.each([
  ['', 0],
  ['WEBVTTX\n\n00:00.000 --> 00:02.000\na', 0],
  ['1\n00:00:00,000 --> 00:00:02,000\na', 0],
  ['WEBVTT\n\n00:70.000 --> 00:02.000\na', 0],
])('%j holds none', (text, count) => {
  expect(countCaptions(text)).toBe(count)
})

test('only captions are taken, or nothing', () => {
  expect(captions.safeParse(FILE).success).toBe(true)
  expect(captions.safeParse('').success).toBe(true)
  expect(captions.safeParse('<script>').success).toBe(false)
})
