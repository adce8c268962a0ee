import type { Item } from '../kinds/items.ts'
import type { KeptEvent } from '../log/events.ts'
import type { TalkThrough } from './replay.ts'
import type { Talk } from './talk.ts'

/** Something that comes while a voice is heard: at which second it was there, and on which page. */
export interface Coming {
  readonly second: number
  readonly page: string
  readonly item: Item
}

/** A talk-through of things that lie in no log, as if each had been laid down when it came; in order. */
export function comingTalk(seconds: number, turns: Talk['turns'], coming: readonly Coming[]): TalkThrough {
  const events = coming.map(({ second, page, item }, index): KeptEvent => {
    const madeAt = Math.round(second * 1000)
    return {
      ...{ id: item.id, page, layer: 'work', madeAt, act: 'add', items: [item] },
      ...{ seq: index + 1, author: '', round: 1, keptAt: madeAt },
    }
  })
  return {
    talk: { clock: [[0, 0]], turns },
    seconds,
    events,
    moments: events.map(({ madeAt }) => madeAt),
    isOwn: () => true,
  }
}
