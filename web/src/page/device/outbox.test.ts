import type { EventFate, KeepAnswer, PageEvent, SignedEvent } from '@hand-back/core'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Keepsake, Kept } from './keepsake.ts'
import { type Carrier, Outbox } from './outbox.ts'

const made = (number: number): SignedEvent => ({
  id: `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`,
  page: '00000000-0000-4000-8000-000000000900',
  layer: 'work',
  madeAt: 0,
  author: 'noor',
  round: 1,
  act: 'take',
  items: ['00000000-0000-4000-8000-000000000001'],
})

function memoryKeepsake(): Keepsake & { kept: Kept[] } {
  const shelf = {
    kept: [] as Kept[],
    async put(entry: Kept) {
      shelf.kept.push(entry)
    },
    async drop(events: readonly string[]) {
      shelf.kept = shelf.kept.filter(({ event }) => !events.includes(event.id))
    },
    room: async () => undefined,
    async of(person: string) {
      return shelf.kept.filter((entry) => entry.person === person)
    },
  }
  return shelf
}

/** A school that keeps what it is sent, unless the script says otherwise for that call. */
function school(
  script: (
    call: number,
    events: readonly PageEvent[],
  ) => KeepAnswer | 'lost' | 'answer lost' | undefined = () => undefined,
) {
  const log: string[] = []
  let calls = 0
  const carrier: Carrier = {
    async keep(_copy, events) {
      const said = script(++calls, events)
      if (said === 'lost') throw new Error('no network')
      if (said && said !== 'answer lost') return said
      for (const { id } of events) if (!log.includes(id)) log.push(id)
      if (said === 'answer lost') throw new Error('no network')
      return {
        ok: true,
        fates: events.map(({ id }) => ({ id, fate: 'kept', seq: log.indexOf(id) + 1, round: 1 })),
      }
    },
    sendSound: async () => {},
    isFinal: () => false,
    pause: () => new Promise((done) => setTimeout(done, 0)),
  }
  return { carrier, log }
}

const quiet = async (outbox: Outbox) => {
  while (outbox.state.getState().going.size > 0) await new Promise((done) => setTimeout(done, 0))
}

describe('the outbox', () => {
  test('whatever gets lost on the way, everything arrives once and in order', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 260 }),
        fc.array(fc.constantFrom('lost' as const, 'answer lost' as const, undefined), { maxLength: 8 }),
        async (count, losses) => {
          const { carrier, log } = school((call) => losses[call - 1])
          const keepsake = memoryKeepsake()
          const outbox = new Outbox('noor', keepsake, carrier)
          for (let number = 0; number < count; number++) void outbox.put('copy', made(number))
          outbox.setReached(true)
          await quiet(outbox)
          expect(log).toEqual(Array.from({ length: count }, (_, number) => made(number).id))
          await new Promise((done) => setTimeout(done, 0))
          expect(keepsake.kept).toEqual([])
        },
      ),
      { numRuns: 30 },
    )
  })

  test('what was made before the tab closed is sent by the next one, and only for the same person', async () => {
    const keepsake = memoryKeepsake()
    const before = new Outbox('noor', keepsake, school().carrier)
    await before.put('copy', made(1))
    await before.put('copy', made(2))
    const { carrier, log } = school()
    const other = new Outbox('ilja', keepsake, carrier)
    other.setReached(true)
    expect(await other.waitingFor('copy')).toEqual([])
    const after = new Outbox('noor', keepsake, carrier)
    expect((await after.waitingFor('copy')).map(({ id }) => id)).toEqual([made(1).id, made(2).id])
    after.setReached(true)
    await quiet(after)
    expect(log).toEqual([made(1).id, made(2).id])
  })

  test('what a copy does not take now is kept here and sent when it does', async () => {
    let open = false
    const { carrier, log } = school((_call, events) =>
      open
        ? undefined
        : { ok: true, fates: events.map(({ id }): EventFate => ({ id, fate: 'closed', why: 'handed in' })) },
    )
    const keepsake = memoryKeepsake()
    const outbox = new Outbox('noor', keepsake, carrier)
    outbox.setReached(true)
    await outbox.put('copy', made(1))
    await quiet(outbox)
    expect(outbox.state.getState().held.get('copy')).toBe(1)
    expect(keepsake.kept).toHaveLength(1)
    open = true
    outbox.release()
    await quiet(outbox)
    expect(log).toEqual([made(1).id])
  })

  test('one event that school refuses whole does not hold up the others', async () => {
    const bad = made(2).id
    const { carrier, log } = school((_call, events) =>
      events.some(({ id }) => id === bad) ? { ok: false, why: 'not well formed', gone: true } : undefined,
    )
    const outbox = new Outbox('noor', memoryKeepsake(), carrier)
    const fates: EventFate[] = []
    outbox.onFates((_copy, told) => fates.push(...told))
    for (const number of [1, 2, 3]) void outbox.put('copy', made(number))
    outbox.setReached(true)
    await quiet(outbox)
    expect(log).toEqual([made(1).id, made(3).id])
    expect(fates.find(({ id }) => id === bad)?.fate).toBe('wrong')
  })

  test('a device without room says so, and still sends', async () => {
    const { carrier, log } = school()
    const full: Keepsake = { ...memoryKeepsake(), put: () => Promise.reject(new Error('quota')) }
    const outbox = new Outbox('noor', full, carrier)
    await outbox.put('copy', made(1))
    expect(outbox.state.getState().deviceKeeps).toBe(false)
    outbox.setReached(true)
    await quiet(outbox)
    expect(log).toEqual([made(1).id])
  })

  test('a device that is nearly full says so while everything still is kept', async () => {
    const keepsake: Keepsake = { ...memoryKeepsake(), room: async () => 1_000_000 }
    const outbox = new Outbox('noor', keepsake, school().carrier)
    await outbox.put('copy', made(1))
    expect(outbox.state.getState()).toMatchObject({ deviceKeeps: true, nearlyFull: true })
    const roomy = new Outbox('noor', { ...memoryKeepsake(), room: async () => 5e9 }, school().carrier)
    await roomy.put('copy', made(1))
    expect(roomy.state.getState().nearlyFull).toBe(false)
  })

  test('waiting for it to empty ends with the truth', async () => {
    const outbox = new Outbox('noor', memoryKeepsake(), school().carrier)
    await outbox.put('copy', made(1))
    expect(await outbox.emptied('copy', 5)).toBe(false)
    outbox.setReached(true)
    await quiet(outbox)
    expect(await outbox.emptied('copy', 5)).toBe(true)
  })
})
