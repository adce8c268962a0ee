import { expect, test } from '@jest/globals'
import { link } from './link.ts'

const wide = (text: string) => text.length * 6
const lies = { id: '00000000-0000-4000-8000-000000000001', x: 20, y: 20, width: 200, height: 20 }
const blank = link.blank(lies, () => '')
const kinds = (to: typeof blank.to, text = 'A film of the tide') =>
  link.drawn({ ...blank, text, to }, wide).map(({ kind }) => kind)

test('what leads to the web has a sign that one leaves, behind its last words; a way to another page has none', () => {
  const web = { kind: 'web', url: 'https://tide.example/film' } as const
  expect(kinds(web)).toEqual(['text', 'path', 'path', 'path'])
  const [, , away] = link.drawn({ ...blank, text: 'tide', to: web }, wide)
  expect(away).toMatchObject({ kind: 'path', d: expect.stringMatching(/^M47\.9 /) })
  expect(kinds({ kind: 'page', page: lies.id }).filter((kind) => kind === 'path')).toHaveLength(1)
  // Without words there is nothing to stand behind.
  expect(kinds(web, '')).toEqual([])
})
