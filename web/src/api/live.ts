import { CALLS, type DeviceMessages, type ServerMessages } from '@hand-back/core'
import { io, type Socket } from 'socket.io-client'
import type { z } from 'zod'
import { SEAT } from '../seat.ts'
import { believed } from './believed.ts'
import { refresh } from './queries.ts'

export type LiveSocket = Socket<ServerMessages, DeviceMessages>

/** How long to wait before trying again what the server refused, in milliseconds. */
const RETRY_AFTER = 2000

let socket: LiveSocket | undefined

/**
 * The one live connection of this tab. It comes back by itself; a browser that says it is offline is
 * believed at once instead of after the server's silence.
 */
export function live(): LiveSocket {
  if (socket) return socket
  socket = io({
    path: `${SEAT}/live`,
    // Whose this tab is: somebody else may have signed in since, in another one.
    auth: (tell) => tell({ person: believed() }),
    transports: ['websocket'],
    reconnectionDelay: 500,
    reconnectionDelayMax: 3000,
  })
  const made = socket
  // What the server ended or refused does not come back by itself: find out whether one is still signed in, and try again.
  made.on('disconnect', (reason) => reason === 'io server disconnect' && comeBack(made))
  made.on('connect_error', () => !made.active && comeBack(made))
  addEventListener('offline', () => made.disconnect())
  addEventListener('online', () => made.connect())
  return made
}

function comeBack(made: LiveSocket): void {
  void refresh(CALLS.me)
  setTimeout(() => socket === made && made.connect(), RETRY_AFTER)
}

/** Listens to what school tells, judged by the contract: what is not well formed is not heard. Returns how to stop. */
export function hear<News>(
  socket: LiveSocket,
  name: keyof ServerMessages,
  news: z.ZodType<News>,
  listener: (news: News) => void,
): () => void {
  const heard = (told: unknown) => {
    const read = news.safeParse(told)
    if (read.success) listener(read.data)
  }
  socket.on(name, heard as never)
  return () => void socket.off(name, heard as never)
}

/** Ends the connection, when somebody signs out. */
export function endLive(): void {
  socket?.disconnect()
  socket = undefined
}
