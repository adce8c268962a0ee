import { SEAT } from '../../seat.ts'

/** Opens the window for the projector: one, however often it is asked for. */
export function openFrontWindow(handout: string): void {
  const opened = window.open(
    `${SEAT}/handout/${handout}/front/window`,
    `front ${handout}`,
    'popup,width=1280,height=720',
  )
  opened?.focus()
}
