import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Item } from '../kinds/items.ts'
import { applyAll, emptyPage } from '../log/apply.ts'
import type { SignedEvent } from '../log/events.ts'
import { pinsOn, saidBy, voicesOf } from './pinsOn.ts'

const PAGE = '00000000-0000-4000-8000-000000000000'
let made = 0
const id = () => `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`
const common = (author: string) =>
  ({ id: id(), page: PAGE, layer: 'pins', madeAt: 0, author, round: 1 }) as const
const add = (author: string, item: Item): SignedEvent => ({ ...common(author), act: 'add', items: [item] })
const take = (author: string, items: string[], free = false): SignedEvent => ({
  ...common(author),
  act: 'take',
  items,
  ...(free ? { free } : {}),
})
const pin = (y: number, words = 'why?') => ({ id: id(), kind: 'pin', x: 10, y, words }) as const
const answer = (to: string, words: string) => ({ id: id(), kind: 'pinAnswer', to, words }) as const
const agreed = (to: string) => ({ id: id(), kind: 'pinAgreed', to }) as const
const done = (to: string) => ({ id: id(), kind: 'pinDone', to }) as const
const after = (...events: SignedEvent[]) => pinsOn(applyAll(emptyPage, events))

describe('what is said at the places of a page', () => {
  test('from the top to the bottom, with answers as they came', () => {
    const [low, high] = [pin(300), pin(40)]
    const seen = after(
      add('iris', low),
      add('rafi', high),
      add('rafi', answer(low.id, 'first')),
      add('iris', answer(low.id, 'second')),
    )
    expect(seen.map(({ item, author }) => [item.id, author])).toEqual([
      [high.id, 'rafi'],
      [low.id, 'iris'],
    ])
    expect(seen[1]!.answers.map(({ item }) => item.words)).toEqual(['first', 'second'])
  })

  test('one agrees once, with a pin or an answer, and takes it back', () => {
    const one = pin(10)
    const said = answer(one.id, 'because of the moon')
    const [mine, again, other] = [agreed(one.id), agreed(one.id), agreed(said.id)]
    const all = [
      add('iris', one),
      add('rafi', said),
      add('rafi', mine),
      add('rafi', again),
      add('iris', other),
    ]
    expect(after(...all)[0]!.agreedBy).toEqual(['rafi'])
    expect(after(...all)[0]!.answers[0]!.agreedBy).toEqual(['iris'])
    expect(after(...all, take('iris', [mine.id])).at(0)!.agreedBy).toEqual(['rafi'])
    expect(after(...all, take('rafi', [mine.id, again.id]))[0]!.agreedBy).toEqual([])
  })

  test('anybody says that it is done, and that it is not', () => {
    const one = pin(10)
    const ends = done(one.id)
    expect(after(add('iris', one), add('marit', ends))[0]!.done).toHaveLength(1)
    expect(after(add('iris', one), add('marit', ends), take('iris', [ends.id]))[0]!.done).toEqual([])
  })

  test('nobody takes away what another said but a teacher, who may; its answers go with it', () => {
    const one = pin(10)
    const all = [add('iris', one), add('rafi', answer(one.id, 'mean'))]
    expect(after(...all, take('rafi', [one.id]))).toHaveLength(1)
    expect(after(...all, take('marit', [one.id], true))).toEqual([])
    expect(after(...all, take('iris', [one.id]))).toEqual([])
  })

  test('who said something, each once; what is spoken is heard pin by pin, each with its answers', () => {
    const voice = { recording: id(), seconds: 4 }
    const [low, high] = [{ ...pin(300), voice }, pin(20)]
    const [spoken, typed] = [{ ...answer(low.id, ''), voice }, answer(high.id, 'yes')]
    const first = { ...pin(10), voice }
    const seen = after(
      add('iris', low),
      add('iris', high),
      add('rafi', spoken),
      add('iris', typed),
      add('marit', agreed(low.id)),
      add('noor', first),
    )
    expect([...saidBy(seen)].sort()).toEqual(['iris', 'noor', 'rafi'])
    expect(voicesOf(seen)).toEqual([first.id, low.id, spoken.id])
    expect(voicesOf([])).toEqual([])
  })

  test('what lies on other layers is nothing that was said', () => {
    const one = pin(10)
    const elsewhere = { ...add('iris', one), layer: 'work' } as SignedEvent
    expect(after(elsewhere)).toEqual([])
  })

  test('in whatever order the layers of a log are read, the same is said', () => {
    fc.assert(
      fc.property(fc.array(fc.nat({ max: 800 }), { minLength: 1, maxLength: 8 }), fc.nat(), (heights, at) => {
        const pins = heights.map((y) => add('iris', pin(y)))
        const ink = heights.map(
          (_, index): SignedEvent => ({
            ...common('rafi'),
            layer: 'work',
            act: 'take',
            items: [`${index}`.padStart(36, '0')],
          }),
        )
        const cut = at % (pins.length + 1)
        const mixed = [...pins.slice(0, cut), ...ink, ...pins.slice(cut)]
        expect(after(...mixed)).toEqual(after(...pins))
        const seen = after(...pins).map(({ item }) => item.y)
        expect(seen).toEqual([...seen].sort((a, b) => a - b))
      }),
    )
  })
})
