/** A click so soon after a touch that was kept off comes from it, in milliseconds. */
const ITS_CLICK = 700

/**
 * The hand that holds the pen also lies on tabs, buttons and dialogs: its touches do nothing there either.
 * `isHand` says whether a touch is that hand.
 */
export class PalmGuard {
  readonly #host: HTMLElement
  readonly #isHand: (event: PointerEvent) => boolean
  /** Touches of the hand that lie there now. */
  readonly #lying = new Set<number>()
  /** When the last of them came or went. */
  #keptOffAt = Number.NEGATIVE_INFINITY

  constructor(host: HTMLElement, isHand: (event: PointerEvent) => boolean) {
    this.#host = host
    this.#isHand = isHand
    addEventListener('pointerdown', this.#down, { capture: true })
    addEventListener('pointerup', this.#gone, { capture: true })
    addEventListener('pointercancel', this.#gone, { capture: true })
    addEventListener('click', this.#click, { capture: true })
  }

  close(): void {
    removeEventListener('pointerdown', this.#down, { capture: true })
    removeEventListener('pointerup', this.#gone, { capture: true })
    removeEventListener('pointercancel', this.#gone, { capture: true })
    removeEventListener('click', this.#click, { capture: true })
  }

  readonly #down = (event: PointerEvent) => {
    if (event.pointerType !== 'touch') {
      this.#keptOffAt = Number.NEGATIVE_INFINITY
      return
    }
    // Over the page itself touches are judged there.
    if (this.#host.contains(event.target as Node) || !this.#isHand(event)) return
    this.#lying.add(event.pointerId)
    this.#keptOffAt = event.timeStamp
    event.stopImmediatePropagation()
    event.preventDefault()
  }

  /** The click comes when the hand leaves, however long it lay there. */
  readonly #gone = (event: PointerEvent) => {
    if (this.#lying.delete(event.pointerId)) this.#keptOffAt = event.timeStamp
  }

  readonly #click = (event: MouseEvent) => {
    if (event.timeStamp - this.#keptOffAt > ITS_CLICK) return
    this.#keptOffAt = Number.NEGATIVE_INFINITY
    event.stopImmediatePropagation()
    event.preventDefault()
  }
}
