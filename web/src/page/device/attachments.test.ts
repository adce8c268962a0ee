import { CHUNK_BYTES, type PageEvent, type SignedEvent } from '@hand-back/core'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { idOf, made, memoryKeepsake, quiet, REFUSED, school } from '../../test/outboxes.ts'
import { Outbox } from './outbox.ts'
import { nextBatch } from './outgoing.ts'
import { sendAttachment } from './sendAttachment.ts'

/** An event that lays down a voice note. */
const speaking = (number: number, item = 60): SignedEvent => ({
  ...made(number),
  act: 'add',
  items: [{ id: idOf(item), kind: 'voice', x: 0, y: 0, recording: idOf(50), seconds: 1 }],
})
const moving = (number: number, item: number): SignedEvent => ({
  ...made(number),
  act: 'change',
  item: idOf(item),
  set: { x: 5 },
  was: { x: 0 },
})
const FILM = {
  ...{ id: idOf(70), kind: 'film', x: 0, y: 0, width: 40, height: 30, turn: 0 },
  ...{ seconds: 3, alt: '' },
}
const sound = { name: idOf(50), bytes: new Blob(['x']) }
const ids = (events: readonly PageEvent[]) => events.map(({ id }) => id)

describe('an attachment and what names it', () => {
  test('ink goes on beside a recording that takes long; the note and what is done to it wait for it', async () => {
    const { carrier, log } = school()
    let arrive = () => {}
    const outbox = new Outbox('noor', memoryKeepsake(), {
      ...carrier,
      sendAttachment: () => new Promise<void>((done) => (arrive = done)),
    })
    outbox.setReached(true)
    await outbox.put('copy', speaking(1), sound)
    await outbox.put('copy', moving(2, 60))
    await outbox.put('copy', made(3))
    while (log.length === 0) await new Promise((done) => setTimeout(done, 0))
    expect(log).toEqual([made(3).id])
    expect(outbox.state.getState().going.get('copy')).toBe(2)
    expect(outbox.bytesOf(sound.name)).toBe(sound.bytes)
    arrive()
    await quiet(outbox)
    expect(log).toEqual([made(3).id, made(1).id, made(2).id])
    expect(outbox.bytesOf(sound.name)).toBeUndefined()
  })

  test('an event that brings two waits for both', async () => {
    const { carrier, log } = school()
    const other = { name: idOf(51), bytes: new Blob(['y']) }
    const arrived: string[] = []
    const outbox = new Outbox('noor', memoryKeepsake(), {
      ...carrier,
      sendAttachment: async (_copy, { name }) => {
        expect(log).toEqual([])
        arrived.push(name)
      },
    })
    const film = { ...speaking(1), act: 'add', items: [{ ...FILM, file: sound.name, still: other.name }] }
    await outbox.put('copy', film as SignedEvent, sound, other)
    expect(outbox.bytesOf(other.name)).toBe(other.bytes)
    outbox.setReached(true)
    await quiet(outbox)
    expect([arrived, log]).toEqual([[sound.name, other.name], [made(1).id]])
  })

  test('one that is refused is held with its event, and all of it stays on the device', async () => {
    const { carrier, log } = school()
    const keepsake = memoryKeepsake()
    let refuse = true
    const outbox = new Outbox('noor', keepsake, {
      ...carrier,
      sendAttachment: async () => {
        if (refuse) throw REFUSED
      },
    })
    await outbox.put('copy', speaking(1), sound)
    outbox.setReached(true)
    await quiet(outbox)
    expect([log.length, keepsake.kept.length, outbox.whyHeld(made(1).id)]).toEqual([0, 1, 'refused'])
    expect(keepsake.kept[0]!.attachments).toEqual([sound])
    refuse = false
    outbox.release()
    await quiet(outbox)
    expect(log).toEqual([made(1).id])
  })

  test('a way that fails is tried again; what is sent once is not sent twice', async () => {
    const { carrier, log } = school((call) => (call === 1 ? 'lost' : undefined))
    let sent = 0
    const outbox = new Outbox('noor', memoryKeepsake(), {
      ...carrier,
      sendAttachment: async () => {
        if (++sent < 3) throw new Error('no network')
      },
    })
    await outbox.put('copy', speaking(1), sound)
    outbox.setReached(true)
    await quiet(outbox)
    expect([log, sent]).toEqual([[made(1).id], 3])
  })

  test('what waits keeps the order of everything about the same item', () => {
    const event = fc.record({ item: fc.integer({ min: 0, max: 4 }), speaks: fc.boolean() })
    fc.assert(
      fc.property(fc.array(event, { maxLength: 20 }), (list) => {
        const entries = list.map(({ item, speaks }, number) => ({
          person: 'noor',
          copy: 'copy',
          event: speaks ? speaking(number, item) : moving(number, item),
        }))
        const batch = nextBatch(
          entries,
          () => false,
          () => true,
        )
        const spoken = new Set<string>()
        const expected = entries.filter(({ event }) => {
          const item = event.act === 'add' ? event.items[0]!.id : (event as { item: string }).item
          if (event.act === 'add') spoken.add(item)
          return !spoken.has(item)
        })
        expect(ids(batch.map((entry) => entry.event))).toEqual(ids(expected.map((entry) => entry.event)))
      }),
    )
  })
})

/** A school that takes chunks, and loses the way or the answer when told to. */
function chunksAt(losses: readonly ('lost' | 'answer lost' | 'sent' | undefined)[]) {
  let all = new Uint8Array()
  let whole = false
  let call = 0
  const way = {
    standing: async () => ({ arrived: whole ? 0 : all.length, whole }),
    async send(bytes: Blob, chunk: { from: number; size: number }) {
      const loss = losses[call++]
      if (loss === 'lost') throw new Error('no network')
      if (!whole && chunk.from === all.length) {
        all = Uint8Array.from([...all, ...new Uint8Array(await bytes.arrayBuffer())])
        whole = all.length === chunk.size
      }
      if (loss === 'answer lost') throw new Error('no network')
      return { arrived: whole ? 0 : all.length, whole }
    },
  }
  return { way, bytes: () => all, calls: () => call }
}

describe('in chunks', () => {
  test('whatever gets lost on the way, it arrives whole, and only lost chunks are sent again', async () => {
    const loss = fc.constantFrom('lost' as const, 'answer lost' as const, undefined)
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 3 * CHUNK_BYTES }),
        fc.array(loss, { maxLength: 6 }),
        async (size, losses) => {
          const { way, bytes, calls } = chunksAt(losses)
          const made = Uint8Array.from({ length: size }, (_, at) => at % 251)
          for (let arrived = false; !arrived; )
            arrived = await sendAttachment(way, new Blob([made])).then(
              () => true,
              () => false,
            )
          expect(Buffer.from(bytes()).equals(Buffer.from(made))).toBe(true)
          const lost = losses.slice(0, calls()).filter((each) => each === 'lost').length
          const chunks = Math.ceil(size / CHUNK_BYTES)
          // Of a single chunk one does not ask first: an answer that got lost means sending it again.
          const unheard = losses.slice(0, calls()).filter((each) => each === 'answer lost').length
          expect(calls()).toBeLessThanOrEqual(chunks + lost + (chunks === 1 ? unheard : 0))
        },
      ),
      { numRuns: 15 },
    )
  })

  test('a school that does not agree is not asked for ever', async () => {
    const way = {
      standing: async () => ({ arrived: 0, whole: false }),
      send: async () => ({ arrived: 0, whole: false }),
    }
    await expect(sendAttachment(way, new Blob(['x']))).rejects.toThrow(/do not agree/)
  })
})
