import {
  type CopyWhole,
  type FollowAnswer,
  type FollowRequest,
  inSight,
  type KeptEvent,
  packPoints,
  pageOf,
  type SignedEvent,
  type Stroke,
  toBase64,
} from '@hand-back/core'
import { beforeEach, describe, expect, test } from '@jest/globals'
import type { LiveSocket } from '../../api/live.ts'
import type { Typing } from '../device/keepsake.ts'
import type { Outbox } from '../device/outbox.ts'
import { CopyStore } from './copyStore.ts'

const COPY = '00000000-0000-4000-8000-000000000800'
const ANOTHER = '00000000-0000-4000-8000-000000000801'
const PAGE = '00000000-0000-4000-8000-000000000900'
const noor = { id: 'noor', name: 'Noor Farrant', role: 'student' as const }

/** A school that keeps what it is given and tells it when asked: one copy's log, and news on demand. */
class FakeSchool {
  log: KeptEvent[] = []
  standing = {
    copy: COPY,
    state: 'working' as CopyWhole['state'],
    round: 1,
    goFor: null as readonly string[] | null,
    withoutMarks: [] as readonly number[],
  }
  asked: FollowRequest[] = []
  /** The most events of one answer. */
  most = 1000
  readonly #listeners = new Map<string, ((news: never) => void)[]>()
  readonly socket = {
    connected: true,
    on: (name: string, listener: (news: never) => void) =>
      this.#listeners.set(name, [...(this.#listeners.get(name) ?? []), listener]),
    off: (name: string, listener: (news: never) => void) =>
      this.#listeners.set(
        name,
        (this.#listeners.get(name) ?? []).filter((each) => each !== listener),
      ),
    emit: () => {},
    timeout: () => ({
      emitWithAck: async (_name: string, request: FollowRequest): Promise<FollowAnswer> => {
        this.asked.push(request)
        const unread = this.log.filter((event) => event.seq > request.readTo[event.layer])
        return {
          ok: true,
          events: unread.slice(0, this.most),
          standing: { ...this.standing },
          more: unread.length > this.most,
        }
      },
    }),
  } as unknown as LiveSocket

  tell(name: 'events' | 'standing', news: unknown): void {
    for (const listener of this.#listeners.get(name) ?? []) listener(news as never)
  }

  keep(event: SignedEvent): KeptEvent {
    const seq = this.log.filter(({ layer }) => layer === event.layer).length + 1
    const kept = { ...event, seq, keptAt: 0 } as KeptEvent
    this.log.push(kept)
    return kept
  }
}

let school: FakeSchool
let sent: SignedEvent[]
let settle: Parameters<Outbox['onFates']>[0]
let waiting: SignedEvent[]
let deleted: Parameters<Outbox['onDeleted']>[0]
let typing: Typing[]
beforeEach(() => {
  school = new FakeSchool()
  sent = []
  waiting = []
  typing = []
})

const outbox = {
  put: async (_copy: string, event: SignedEvent) => void sent.push(event),
  waitingFor: async () => waiting,
  onFates: (listener: typeof settle) => {
    settle = listener
    return () => {}
  },
  onDeleted: (listener: typeof deleted) => {
    deleted = listener
    return () => {}
  },
  keepTyping: async (of: Typing) => void typing.push(of),
  typed: async (_copy: string, at: string) => {
    typing = typing.filter((each) => each.at !== at)
  },
  typingIn: async () => typing,
  release: () => {},
} as unknown as Outbox

async function open(
  layer: 'work' | 'feedback' = 'work',
  person: typeof noor | { id: string; name: string; role: 'teacher' } = noor,
): Promise<CopyStore> {
  const copy = {
    id: COPY,
    state: school.standing.state,
    round: school.standing.round,
    goFor: null,
    withoutMarks: [],
    questions: [],
    pages: [],
  } as never as CopyWhole
  const store = new CopyStore(copy, person, layer, outbox, school.socket)
  await until(() => store.view.getState().ready)
  return store
}
/** Waits for a state that comes within two seconds. */
async function until(condition: () => boolean): Promise<void> {
  const end = Date.now() + 2_000
  while (!condition()) {
    if (Date.now() > end) throw new Error('it did not come')
    await new Promise((done) => setTimeout(done, 0))
  }
}

let number = 0
const stroke = (): Stroke => {
  number++
  return {
    id: `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`,
    kind: 'stroke',
    nib: 'pen',
    colour: '#1e2b3a',
    width: 2,
    points: toBase64(packPoints([{ x: number, y: 1, pressure: 0.5, time: 0 }])),
  }
}
const adding = (author: string, layer: SignedEvent['layer'] = 'work', round = 1): SignedEvent => ({
  id: `10000000-0000-4000-8000-${String(++number).padStart(12, '0')}`,
  page: PAGE,
  layer,
  madeAt: 0,
  act: 'add',
  items: [stroke()],
  author,
  round,
})
const seen = (store: CopyStore) => inSight(pageOf(store.view.getState().log, PAGE)).map(({ item }) => item.id)

describe('an open copy', () => {
  test('reads the whole log, in as many pieces as it takes', async () => {
    school.most = 3
    for (let count = 0; count < 8; count++) school.keep(adding('noor'))
    const store = await open()
    expect(seen(store)).toHaveLength(8)
    expect(school.asked.length).toBeGreaterThanOrEqual(3)
    store.close()
  })

  test('asks for what news left out, and takes it in order', async () => {
    const store = await open()
    const events = [1, 2, 3].map(() => school.keep(adding('noor')))
    const before = school.asked.length
    school.tell('events', { copy: COPY, events: [events[2]] })
    await until(() => seen(store).length === 3)
    expect(school.asked.length).toBe(before + 1)
    expect(seen(store)).toEqual(events.map((event) => (event.act === 'add' ? event.items[0]!.id : '')))
    store.close()
  })

  test('passes over what a newer school tells and nobody here can read, and does not ask for it again', async () => {
    school.most = 1
    school.keep(adding('noor'))
    school.keep({ ...adding('noor'), act: 'fold' } as unknown as SignedEvent)
    school.keep(adding('noor'))
    const store = await open()
    await until(() => seen(store).length === 2)
    school.keep(adding('noor'))
    school.tell('standing', { ...school.standing })
    await until(() => seen(store).length === 3)
    expect(school.asked.map(({ readTo }) => readTo.work)).toEqual([0, 1, 2, 3])
    store.close()
  })

  test('keeps news of other copies out', async () => {
    const store = await open()
    school.tell('events', { copy: ANOTHER, events: [school.keep(adding('ilja'))] })
    school.tell('standing', { copy: ANOTHER, state: 'handed back', round: 9 })
    expect(seen(store)).toEqual([])
    expect(store.view.getState().round).toBe(1)
    store.close()
  })

  test('what was done together is undone and done again together, and nothing else with it', async () => {
    const store = await open()
    const [before, one, two] = [stroke(), stroke(), stroke()]
    store.add(PAGE, [before])
    store.together(() => {
      store.add(PAGE, [one])
      store.add(PAGE, [two])
      store.take(PAGE, [before.id])
    })
    store.undo()
    expect(seen(store)).toEqual([before.id])
    store.redo()
    expect(seen(store)).toEqual([one.id, two.id])
    store.undo()
    store.undo()
    expect(seen(store)).toEqual([])
    for (let press = 0; press < 3; press++) store.redo()
    expect(seen(store)).toEqual([one.id, two.id])
    store.close()
  })

  test('undoes just the acts that are named, whatever was done after them, and none twice', async () => {
    const store = await open()
    const [one, two, later] = [stroke(), stroke(), stroke()]
    const done = [one, two].map((item) => store.act(PAGE, { act: 'add', items: [item] }))
    store.add(PAGE, [later])
    store.undoThese(done)
    store.undoThese(done)
    expect(seen(store)).toEqual([later.id])
    store.undo()
    expect(seen(store)).toEqual([])
    for (let press = 0; press < 3; press++) store.redo()
    expect(seen(store).sort()).toEqual([one.id, two.id, later.id].sort())
    store.close()
  })

  test('shows what waited on the device before anything else, and can undo it', async () => {
    const before = adding('noor')
    waiting = [before]
    const store = await open()
    expect(seen(store)).toHaveLength(1)
    expect(store.undo()).toBe(PAGE)
    expect(seen(store)).toEqual([])
    expect(sent[0]).toMatchObject({ act: 'take', undoes: before.id, author: 'noor' })
    store.close()
  })

  test('what waited here comes after what school had already: undo takes the latest first', async () => {
    const older = school.keep(adding('noor'))
    const newer = adding('noor')
    waiting = [newer]
    const store = await open()
    store.undo()
    store.undo()
    expect(sent.map(({ undoes }) => undoes)).toEqual([newer.id, older.id])
    store.close()
  })

  test('undo takes only one’s own, the latest first; redo does it again', async () => {
    school.keep(adding('noor'))
    school.keep(adding('marit', 'help'))
    const store = await open()
    const mine = stroke()
    store.add(PAGE, [mine])
    expect(seen(store)).toHaveLength(3)
    store.undo()
    store.undo()
    expect(store.undo()).toBeUndefined()
    expect(seen(store)).toHaveLength(1)
    store.redo()
    store.redo()
    expect(store.redo()).toBeUndefined()
    expect(seen(store)).toContain(mine.id)
    expect(seen(store)).toHaveLength(3)
    store.close()
  })

  test('an acknowledged stroke stays the same object, so that it need not be drawn again', async () => {
    const store = await open()
    const mine = stroke()
    store.add(PAGE, [mine])
    const kept = school.keep(sent[0]!)
    school.tell('events', { copy: COPY, events: [structuredClone(kept)] })
    settle(COPY, [{ id: kept.id, fate: 'kept', seq: kept.seq, round: 1 }])
    const { log } = store.view.getState()
    expect(log.pending).toHaveLength(0)
    expect(inSight(pageOf(log, PAGE))[0]!.item).toBe(mine)
    store.close()
  })

  test('ink that school does not take stays to be seen, until a person deletes it', async () => {
    const store = await open()
    store.add(PAGE, [stroke()])
    settle(COPY, [{ id: sent[0]!.id, fate: 'wrong', why: 'no such page' }])
    expect(seen(store)).toHaveLength(1)
    expect(store.view.getState().refused).toBe('no such page')
    deleted(COPY, [sent[0]!.id])
    expect(seen(store)).toEqual([])
    store.close()
  })

  test('what was being typed when the tab ended is there again, and is an answer then', async () => {
    const place = '00000000-0000-4000-8000-0000000000aa'
    const first = await open()
    first.keepTyping(PAGE, place, { text: 'high wa\u0000ter' })
    first.close()
    expect(typing).toHaveLength(1)
    const store = await open()
    await until(() => typing.length === 0)
    expect(sent.at(-1)).toMatchObject({
      act: 'add',
      items: [{ kind: 'answer', place, value: { text: 'high water' } }],
    })
    store.close()
  })

  test('pasted letters that nobody can keep are left out before anything is kept', async () => {
    const store = await open()
    store.answer(PAGE, '00000000-0000-4000-8000-0000000000ab', { text: 'ebb\u0000 \ud800tide' })
    expect(sent.at(-1)).toMatchObject({ items: [{ value: { text: 'ebb \ufffdtide' } }] })
    store.close()
  })

  test('handed back, it reads the feedback that it may see now', async () => {
    school.standing = { copy: COPY, state: 'handed in', round: 1, goFor: null, withoutMarks: [] }
    const store = await open()
    school.keep(adding('marit', 'feedback'))
    school.standing = { copy: COPY, state: 'handed back', round: 1, goFor: null, withoutMarks: [] }
    school.tell('standing', school.standing)
    await until(() => seen(store).length === 1)
    expect(store.view.getState().state).toBe('handed back')
    store.close()
  })

  test('marks that stayed at school are read once they are given, and again left out when they are taken back', async () => {
    const without = { copy: COPY, state: 'handed back' as const, round: 1, goFor: null, withoutMarks: [1] }
    school.standing = without
    school.keep(adding('noor'))
    const [ink, withheld] = [
      school.keep(adding('marit', 'feedback')),
      school.keep(adding('marit', 'feedback')),
    ]
    const mark = {
      id: PAGE,
      kind: 'mark',
      question: PAGE,
      label: '1',
      given: 100,
      full: 200,
      x: 0,
      y: 0,
    } as const
    const told = (event: KeptEvent) => {
      school.log = school.log.map((each) => (each.id === event.id ? event : each))
    }
    const hidden = { ...withheld, act: 'take', items: [], withheld: true } as KeptEvent
    told(hidden)
    const store = await open()
    expect(seen(store)).toHaveLength(2)
    told({ ...withheld, act: 'add', items: [mark] } as KeptEvent)
    school.standing = { ...without, withoutMarks: [] }
    school.tell('standing', school.standing)
    await until(() => seen(store).includes(PAGE))
    expect(seen(store)).toHaveLength(3)
    told(hidden)
    school.standing = without
    school.tell('standing', school.standing)
    await until(() => store.view.getState().log.readTo.feedback === 2 && !seen(store).includes(PAGE))
    expect(seen(store)).toHaveLength(2)
    expect(ink.layer).toBe('feedback')
    store.close()
  })

  test('a teacher cannot undo feedback of a round that is over', async () => {
    school.standing = { copy: COPY, state: 'another go', round: 2, goFor: null, withoutMarks: [] }
    school.keep(adding('marit', 'feedback', 1))
    const store = await open('feedback', { id: 'marit', name: 'Marit Abara', role: 'teacher' })
    expect(seen(store)).toHaveLength(1)
    expect(store.undo()).toBeUndefined()
    store.add(PAGE, [stroke()])
    expect(sent[0]).toMatchObject({ layer: 'feedback', round: 2 })
    expect(store.undo()).toBe(PAGE)
    store.close()
  })

  test('closed, it hears nothing more', async () => {
    const store = await open()
    store.close()
    school.tell('events', { copy: COPY, events: [school.keep(adding('noor'))] })
    expect(seen(store)).toEqual([])
  })
})

describe('a copy that several share', () => {
  const take = (page: string, items: string[], free?: boolean): SignedEvent => ({
    ...adding('ilja'),
    page,
    act: 'take',
    items,
    ...(free ? { free } : {}),
  })

  test('what others made is touched only where the teacher allows it, and the event says so', async () => {
    const theirs = school.keep(adding('ilja'))
    const items = theirs.act === 'add' ? theirs.items.map(({ id }) => id) : []
    const store = await open()
    store.take(PAGE, items)
    expect(seen(store)).toEqual(items)
    expect(sent.at(-1)!.free).toBeUndefined()
    store.renew({ id: COPY, touchAll: true } as CopyWhole)
    store.take(PAGE, items)
    expect(seen(store)).toEqual([])
    expect(sent.at(-1)!.free).toBe(true)
    store.undo()
    expect(seen(store)).toEqual(items)
    store.close()
  })

  test('the teacher brings back what somebody took, and undo leaves it there', async () => {
    const theirs = school.keep(adding('ilja'))
    const items = theirs.act === 'add' ? theirs.items.map(({ id }) => id) : []
    school.keep(take(PAGE, items))
    const store = await open('feedback', { id: 'marit', name: 'Marit Abara', role: 'teacher' })
    expect(seen(store)).toEqual([])
    store.bringBack(PAGE, { bring: items, take: [] })
    expect(seen(store)).toEqual(items)
    expect(sent.at(-1)).toMatchObject({ act: 'swap', layer: 'work', free: true })
    expect(store.undo()).toBeUndefined()
    expect(seen(store)).toEqual(items)
    store.bringBack(PAGE, { bring: [], take: [] })
    expect(sent).toHaveLength(1)
    store.close()
  })
})
