/** A click so soon after a touch that was kept off comes from it, in milliseconds. */
const ITS_CLICK = 700

/**
 * The hand that holds the pen also lies on tabs, buttons and dialogs: its touches do nothing there either.
 * `isHand` says whether a touch is that hand.
 */
export class PalmGuard {
  readonly #host: HTMLElement
  readonly #isHand: (event: PointerEvent) => boolean
  #keptOffAt = Number.NEGATIVE_INFINITY

  constructor(host: HTMLElement, isHand: (event: PointerEvent) => boolean) {
    this.#host = host
    this.#isHand = isHand
    addEventListener('pointerdown', this.#down, { capture: true })
    addEventListener('click', this.#click, { capture: true })
  }

  close(): void {
    removeEventListener('pointerdown', this.#down, { capture: true })
    removeEventListener('click', this.#click, { capture: true })
  }

  readonly #down = (event: PointerEvent) => {
    if (event.pointerType !== 'touch') {
      this.#keptOffAt = Number.NEGATIVE_INFINITY
      return
    }
    // Over the page itself touches are judged there.
    if (this.#host.contains(event.target as Node) || !this.#isHand(event)) return
    this.#keptOffAt = event.timeStamp
    event.stopImmediatePropagation()
    event.preventDefault()
  }

  readonly #click = (event: MouseEvent) => {
    if (event.timeStamp - this.#keptOffAt > ITS_CLICK) return
    this.#keptOffAt = Number.NEGATIVE_INFINITY
    event.stopImmediatePropagation()
    event.preventDefault()
  }
}
