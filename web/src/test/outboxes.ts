import type { KeepAnswer, PageEvent, SignedEvent } from '@hand-back/core'
import type { Kept, Typing } from '../page/device/keepsake.ts'
import type { Carrier, Outbox } from '../page/device/outbox.ts'

export const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`

/** What a school throws that will not take an attachment as it is. */
export const REFUSED = new Error('refused')

export const made = (number: number): SignedEvent => ({
  id: idOf(number),
  page: '00000000-0000-4000-8000-000000000900',
  layer: 'work',
  madeAt: 0,
  author: 'noor',
  round: 1,
  act: 'take',
  items: ['00000000-0000-4000-8000-000000000001'],
})

/** A device that keeps what it is given as long as the test runs. */
export function memoryKeepsake() {
  const store = {
    kept: [] as Kept[],
    async put(entry: Kept) {
      store.kept.push(entry)
    },
    async drop(events: readonly string[]) {
      store.kept = store.kept.filter(({ event }) => !events.includes(event.id))
    },
    typing: [] as Typing[],
    async putTyping(typing: Typing) {
      store.typing = [...store.typing.filter(({ at }) => at !== typing.at), typing]
    },
    async dropTyping({ at }: Pick<Typing, 'at'>) {
      store.typing = store.typing.filter((each) => each.at !== at)
    },
    typingIn: async (person: string, copy: string) =>
      store.typing.filter((each) => each.person === person && each.copy === copy),
    lost: () => {},
    onLost(listener: () => void) {
      store.lost = listener
    },
    room: async () => undefined,
    async of(person: string) {
      return store.kept.filter((entry) => entry.person === person)
    },
  }
  return store
}

/** A school that keeps what it is sent, unless the script says otherwise for that call. */
export function school(
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
    sendAttachment: async () => {},
    meaningOf: (error) => (error === REFUSED ? 'never' : 'again'),
    pause: () => new Promise((done) => setTimeout(done, 0)),
  }
  return { carrier, log }
}

/** Until nothing is on its way any more. */
export const quiet = async (outbox: Outbox) => {
  while (outbox.state.getState().going.size > 0) await new Promise((done) => setTimeout(done, 0))
}
