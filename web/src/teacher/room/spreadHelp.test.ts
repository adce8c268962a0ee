import type { Item, VoiceNote } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { helpFor } from './spreadHelp.ts'

const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`
const note: VoiceNote = {
  id: idOf(2),
  kind: 'voice',
  x: 10,
  y: 20,
  recording: idOf(3),
  seconds: 2,
} as VoiceNote
const stroke = { id: idOf(1), kind: 'stroke', nib: 'pen', colour: '#a83a2e', width: 2, points: '' } as Item

test('help for another copy is the same under other ids, with sounds of its own', async () => {
  let last = 100
  const asked: string[] = []
  const sound = new Blob(['said'])
  const help = {
    page: idOf(9),
    items: [stroke, note],
    bytesOf: async (name: string) => {
      asked.push(name)
      return sound
    },
  }
  const give = () => helpFor(help, idOf(50), 1000, () => idOf(++last))
  const [[one], [other]] = [await give(), await give()]
  expect(one!.event).toMatchObject({ layer: 'help', page: idOf(9), author: idOf(50), act: 'add' })
  const items = one!.event.act === 'add' ? one!.event.items : []
  expect(items.map(({ kind }) => kind)).toEqual(['stroke', 'voice'])
  expect((items[1] as VoiceNote).recording).toBe(one!.attachments[0]!.name)
  expect(one!.attachments[0]!.bytes).toBe(sound)
  expect(asked).toEqual([idOf(3), idOf(3)])
  const ids = (given: typeof one) => [
    given!.event.id,
    ...(given!.event.act === 'add' ? given!.event.items.map(({ id }) => id) : []),
    ...given!.attachments.map(({ name }) => name),
  ]
  const all = [...ids(one), ...ids(other)]
  expect(new Set(all).size).toBe(all.length)
  expect(all).not.toContain(idOf(1))
})

test('help that cannot be had is given to nobody', async () => {
  const help = { page: idOf(9), items: [note], bytesOf: () => Promise.reject(new Error('out of reach')) }
  await expect(helpFor(help, idOf(50), 1000, () => idOf(100))).rejects.toThrow('out of reach')
})
