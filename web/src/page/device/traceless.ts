import type { LiveSocket } from '../../api/live.ts'
import type { CopyOutbox } from './outbox.ts'

/** An outbox that sends nothing and keeps nothing but what was recorded, until it is let go. */
export function tracelessOutbox(): CopyOutbox & { bytesOf: (name: string) => Blob | undefined } {
  const made = new Map<string, Blob>()
  return {
    async put(_copy, _event, ...attachments) {
      for (const { name, bytes } of attachments) made.set(name, bytes)
    },
    waitingFor: async () => [],
    onFates: () => () => {},
    onDeleted: () => () => {},
    release: () => {},
    keepTyping: async () => {},
    typed: async () => {},
    typingIn: async () => [],
    bytesOf: (name) => made.get(name),
  }
}

/** A connection to nowhere: a copy that is only tried out follows nothing. */
export function tracelessSocket(): LiveSocket {
  const nowhere = { connected: false, on: () => nowhere, off: () => nowhere, emit: () => nowhere }
  return nowhere as unknown as LiveSocket
}
