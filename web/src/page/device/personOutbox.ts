import { Problem, putBytes } from '../../api/ask.ts'
import { live } from '../../api/live.ts'
import { ANSWER_WITHIN } from '../../api/patience.ts'
import { deviceKeepsake } from './keepsake.ts'
import { Outbox } from './outbox.ts'

let current: { person: string; outbox: Outbox } | undefined

/** The outbox of the person signed in, tied to the live connection. One for the tab, for all copies. */
export function outboxOf(person: string): Outbox {
  if (current?.person === person) return current.outbox
  const socket = live()
  const outbox = new Outbox(person, deviceKeepsake(), {
    keep: (copy, events) => socket.timeout(ANSWER_WITHIN).emitWithAck('keep', { copy, events: [...events] }),
    sendSound: (copy, { recording, bytes }) => putBytes(`/copies/${copy}/recordings/${recording}`, bytes),
    isFinal: (error) =>
      error instanceof Problem && error.status >= 400 && error.status < 500 && error.status !== 401,
    pause: (milliseconds) => new Promise((done) => setTimeout(done, milliseconds)),
  })
  socket.on('connect', () => outbox.setReached(true))
  socket.on('disconnect', () => outbox.setReached(false))
  outbox.setReached(socket.connected)
  current = { person, outbox }
  return outbox
}

/** Lets go of the outbox when somebody signs out; what it kept stays on the device for them. */
export function leaveOutbox(): void {
  current = undefined
}
