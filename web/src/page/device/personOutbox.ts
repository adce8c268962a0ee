import { CALLS } from '@hand-back/core'
import { ask, putBytes } from '../../api/ask.ts'
import { live } from '../../api/live.ts'
import { meaningOf } from '../../api/meaning.ts'
import { ANSWER_WITHIN } from '../../api/patience.ts'
import { deviceKeepsake, type Keepsake } from './keepsake.ts'
import { browserTabs, type OtherTabs } from './otherTabs.ts'
import { Outbox } from './outbox.ts'
import { sendAttachment } from './sendAttachment.ts'

let current: { person: string; outbox: Outbox; leave: () => void } | undefined
let keepsake: Keepsake | undefined
let tabs: OtherTabs | undefined

/** The outbox of the person signed in, tied to the live connection. One for the tab, for all copies. */
export function outboxOf(person: string): Outbox {
  if (current?.person === person) return current.outbox
  leaveOutbox()
  const socket = live()
  keepsake ??= deviceKeepsake()
  tabs ??= browserTabs()
  const outbox = new Outbox(
    person,
    keepsake,
    {
      keep: (copy, events) =>
        socket.timeout(ANSWER_WITHIN).emitWithAck('keep', { person, copy, events: [...events] }),
      sendAttachment: (copy, { name, bytes }) => {
        const ids = { copy, attachment: name }
        return sendAttachment(
          {
            standing: () => ask(CALLS.attachmentStanding, ids),
            send: (part, chunk) => putBytes(CALLS.keepAttachment, ids, part, chunk),
          },
          bytes,
        )
      },
      meaningOf,
      pause: (milliseconds) => new Promise((done) => setTimeout(done, milliseconds)),
    },
    tabs,
  )
  const reached = () => outbox.setReached(true)
  const lost = () => outbox.setReached(false)
  socket.on('connect', reached)
  socket.on('disconnect', lost)
  outbox.setReached(socket.connected)
  addEventListener('beforeunload', askBeforeLosing)
  const leave = () => {
    socket.off('connect', reached)
    socket.off('disconnect', lost)
    removeEventListener('beforeunload', askBeforeLosing)
    outbox.close()
  }
  current = { person, outbox, leave }
  return outbox
}

/** Closing a tab with what is nowhere else asks first. */
function askBeforeLosing(event: Event): void {
  if (current && current.outbox.state.getState().nowhere > 0) event.preventDefault()
}

/** The outbox of whoever is signed in, if one was needed. */
export const openOutbox = (): Outbox | undefined => current?.outbox

/** Lets go of the outbox when its person goes; what it kept stays on the device for them. */
export function leaveOutbox(): void {
  current?.leave()
  current = undefined
}
