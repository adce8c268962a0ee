import type { EventFate } from '@hand-back/core'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { made, memoryKeepsake, quiet, school } from '../../test/outboxes.ts'
import type { Keepsake } from './keepsake.ts'
import type { OtherTabs } from './otherTabs.ts'
import { Outbox } from './outbox.ts'

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

  test('one event that school cannot keep is set aside and does not hold up the others', async () => {
    const bad = made(2).id
    const { carrier, log } = school((_call, events) => ({
      ok: true,
      fates: events.map(
        ({ id }): EventFate =>
          id === bad ? { id, fate: 'wrong', why: 'not well formed' } : { id, fate: 'kept', seq: 1, round: 1 },
      ),
    }))
    const keepsake = memoryKeepsake()
    const outbox = new Outbox('noor', keepsake, carrier)
    const fates: EventFate[] = []
    outbox.onFates((_copy, told) => fates.push(...told))
    for (const number of [1, 2, 3]) void outbox.put('copy', made(number))
    outbox.setReached(true)
    await quiet(outbox)
    expect(log).toEqual([])
    expect(fates.filter(({ fate }) => fate === 'kept')).toHaveLength(2)
    expect(outbox.whyHeld(bad)).toBe('not well formed')
    expect(keepsake.kept.map(({ event }) => event.id)).toEqual([bad])
  })

  test('whatever school says, nothing leaves the device but what is kept there, until a person deletes it', async () => {
    const answer = fc.constantFrom('closed', 'wrong', 'gone', 'kept', 'lost')
    await fc.assert(
      fc.asyncProperty(fc.array(answer, { minLength: 1, maxLength: 12 }), async (answers) => {
        const keepsake = memoryKeepsake()
        const atSchool = new Set<string>()
        let call = 0
        const { carrier } = school((_call, events) => {
          const said = answers[call++] ?? 'closed'
          if (said === 'lost') return 'lost'
          if (said === 'gone') return { ok: false, why: 'not yours any more', gone: true }
          if (said === 'kept') for (const { id } of events) atSchool.add(id)
          return {
            ok: true,
            fates: events.map(({ id }) =>
              said === 'kept'
                ? { id, fate: 'kept', seq: 1, round: 1 }
                : { id, fate: said as 'closed', why: 'no' },
            ),
          }
        })
        const outbox = new Outbox('noor', keepsake, carrier)
        for (const number of [1, 2, 3]) await outbox.put('copy', made(number))
        for (let again = 0; again < answers.length; again++) {
          outbox.setReached(true)
          await quiet(outbox)
          for (const number of [1, 2, 3]) {
            const { id } = made(number)
            expect(keepsake.kept.some(({ event }) => event.id === id)).toBe(!atSchool.has(id))
          }
        }
        const held = outbox.waiting().map(({ event }) => event.id)
        const deleted: string[] = []
        outbox.onDeleted((_copy, ids) => deleted.push(...ids))
        await outbox.deleteHeld('copy')
        expect(deleted).toEqual(held)
        expect(keepsake.kept).toEqual([])
      }),
      { numRuns: 40 },
    )
  })

  test('once its person has gone nothing is sent any more, and all of it stays', async () => {
    const { carrier, log } = school()
    const keepsake = memoryKeepsake()
    const outbox = new Outbox('noor', keepsake, carrier)
    await outbox.put('copy', made(1))
    outbox.close()
    outbox.setReached(true)
    outbox.release()
    await outbox.put('copy', made(2))
    await new Promise((done) => setTimeout(done, 5))
    expect(log).toEqual([])
    expect(keepsake.kept).toHaveLength(2)
  })

  test('what a closed tab left is sent by the one still open; what an open one has is only counted', async () => {
    const keepsake = memoryKeepsake()
    const { carrier, log } = school()
    const open = new Set(['here', 'there'])
    let news = () => {}
    const tabs = (own: string): OtherTabs => ({
      own,
      open: async () => open,
      onNews: (listener) => {
        news = listener
        return () => {}
      },
      tell: () => {},
    })
    const there = new Outbox('noor', keepsake, school().carrier, tabs('there'))
    await there.put('copy', made(1))
    const here = new Outbox('noor', keepsake, carrier, tabs('here'))
    await here.put('copy', made(2))
    here.setReached(true)
    await quiet(here)
    expect(log).toEqual([made(2).id])
    expect(here.state.getState().elsewhere).toBe(1)
    open.delete('there')
    news()
    await new Promise((done) => setTimeout(done, 5))
    await quiet(here)
    expect(log).toEqual([made(2).id, made(1).id])
    expect(here.state.getState().elsewhere).toBe(0)
    expect(keepsake.kept).toEqual([])
  })

  test('one success does not clear the warning for what failed; that is tried again', async () => {
    const keepsake = memoryKeepsake()
    let fails = true
    const put = keepsake.put
    const failing: Keepsake = {
      ...keepsake,
      put: (entry) => (fails && entry.event.id === made(1).id ? Promise.reject(new Error('no')) : put(entry)),
    }
    let go = () => {}
    const outbox = new Outbox('noor', failing, {
      ...school().carrier,
      pause: () => new Promise<void>((done) => (go = done)),
    })
    await outbox.put('copy', made(1))
    await outbox.put('copy', made(2))
    expect(outbox.state.getState()).toMatchObject({ deviceKeeps: false, nowhere: 1 })
    fails = false
    go()
    await new Promise((done) => setTimeout(done, 5))
    expect(outbox.state.getState()).toMatchObject({ deviceKeeps: true, nowhere: 0 })
    expect(keepsake.kept).toHaveLength(2)
  })

  test('what the browser keeps is cleared while the page is open: it is kept once more', async () => {
    const keepsake = memoryKeepsake()
    const outbox = new Outbox('noor', keepsake, school().carrier)
    await outbox.put('copy', made(1))
    keepsake.kept = []
    keepsake.lost()
    expect(outbox.state.getState().nowhere).toBe(1)
    await new Promise((done) => setTimeout(done, 5))
    expect(keepsake.kept).toHaveLength(1)
    expect(outbox.state.getState()).toMatchObject({ deviceKeeps: true, nowhere: 0 })
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
