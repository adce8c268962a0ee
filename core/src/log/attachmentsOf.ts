import { attachmentsOfItem } from '../kinds/items.ts'
import type { PageEvent } from './events.ts'

/** The attachments that an act shows or plays on a page, by name, whatever act it is. */
export function attachmentsOf(event: PageEvent): string[] {
  if (event.act === 'change')
    return [event.set, event.was].flatMap(({ thing, reply }) => [
      ...(thing ? attachmentsOfItem(thing) : []),
      ...(reply?.voice ? [reply.voice.recording] : []),
    ])
  return event.act === 'add' || event.act === 'swap' ? event.items.flatMap(attachmentsOfItem) : []
}
