import { useEffect } from 'react'
import { live } from '../../api/live.ts'

/** It is told again at least so often, in milliseconds. */
const AGAIN = 15_000

/** Tells whoever works on a copy that their teacher looks at it with them, as long as that is so. */
export function useBeside(copy: string, looks: boolean): void {
  useEffect(() => {
    if (!looks) return
    const socket = live()
    const tell = () => socket.emit('beside', { copy, here: true })
    const timer = setInterval(tell, AGAIN)
    tell()
    socket.on('connect', tell)
    return () => {
      clearInterval(timer)
      socket.off('connect', tell)
      socket.emit('beside', { copy, here: false })
    }
  }, [copy, looks])
}
