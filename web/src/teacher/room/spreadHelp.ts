import { attachmentsOfItem, type Item, type SignedEvent } from '@hand-back/core'
import { portions } from '../../page/copy/pageActs.ts'
import type { Attachment } from '../../page/device/keepsake.ts'

/** Help that lies on a page of one copy, to be given to others. */
export interface Help {
  readonly page: string
  readonly items: readonly Item[]
  /** What its pictures, sounds and films are made of. Rejects when that cannot be had. */
  bytesOf(name: string): Promise<Blob>
}

export interface GivenHelp {
  readonly event: SignedEvent
  readonly attachments: readonly Attachment[]
}

/**
 * The same help for another copy, on the same page at the same place: everything under ids of its own, with sounds and
 * pictures that belong to that copy. Rejects when what it is made of cannot be had.
 */
export async function helpFor(
  help: Help,
  author: string,
  madeAt: number,
  makeId: () => string,
): Promise<GivenHelp[]> {
  const given: GivenHelp[] = []
  for (const some of portions(help.items)) {
    const attachments: Attachment[] = []
    const items: Item[] = []
    for (const item of some) {
      let copied = { ...item, id: makeId() }
      for (const name of attachmentsOfItem(item)) {
        const attachment = { name: makeId(), bytes: await help.bytesOf(name) }
        attachments.push(attachment)
        copied = JSON.parse(JSON.stringify(copied).replaceAll(name, attachment.name)) as typeof copied
      }
      items.push(copied)
    }
    const event = { id: makeId(), page: help.page, layer: 'help', madeAt, act: 'add', items } as const
    given.push({ event: { ...event, author, round: 1 }, attachments })
  }
  return given
}
