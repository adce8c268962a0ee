import type { DeviceMessages, ServerMessages } from '@hand-back/core'
import { io, type Socket } from 'socket.io-client'
import { SEAT } from '../seat.ts'

export type LiveSocket = Socket<ServerMessages, DeviceMessages>

let socket: LiveSocket | undefined

/**
 * The one live connection of this tab. It comes back by itself; a browser that says it is offline is
 * believed at once instead of after the server's silence.
 */
export function live(): LiveSocket {
  if (socket) return socket
  socket = io({
    path: `${SEAT}/live`,
    transports: ['websocket'],
    reconnectionDelay: 500,
    reconnectionDelayMax: 3000,
  })
  const made = socket
  addEventListener('offline', () => made.disconnect())
  addEventListener('online', () => made.connect())
  return made
}

/** Ends the connection, when somebody signs out. */
export function endLive(): void {
  socket?.disconnect()
  socket = undefined
}
