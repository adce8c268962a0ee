/** What follows from where the focus is and how much a keyboard on the screen leaves free. */
export interface FocusEvents {
  /** A keyboard on the screen covers so much of the window from below, in CSS pixels. */
  covered(height: number): void
  /** This box of the window is to be in sight. */
  see(box: { left: number; top: number; right: number; bottom: number }): void
}

/**
 * What has the focus over the page stays in sight: the page moves, with everything on it. By itself nothing
 * over the page scrolls (`overflow: clip`), or boxes would slide onto other questions.
 */
export class FocusInSight {
  readonly #host: HTMLElement
  readonly #events: FocusEvents

  constructor(host: HTMLElement, events: FocusEvents) {
    this.#host = host
    this.#events = events
    host.addEventListener('focusin', this.#look)
    visualViewport?.addEventListener('resize', this.#measure)
    visualViewport?.addEventListener('scroll', this.#measure)
  }

  close(): void {
    this.#host.removeEventListener('focusin', this.#look)
    visualViewport?.removeEventListener('resize', this.#measure)
    visualViewport?.removeEventListener('scroll', this.#measure)
  }

  /** A press of a pointer means what is in sight already, and may be the beginning of a drag. */
  readonly #look = () => {
    const focused = document.activeElement
    if (!focused || !this.#host.contains(focused) || !focused.matches(':focus-visible')) return
    const around = this.#host.getBoundingClientRect()
    const box = focused.getBoundingClientRect()
    this.#events.see({
      left: box.left - around.left,
      top: box.top - around.top,
      right: box.right - around.left,
      bottom: box.bottom - around.top,
    })
  }

  readonly #measure = () => {
    const seen = visualViewport
    // Somebody looks at the whole screen through a magnifying glass: no keyboard.
    if (seen?.scale !== 1) return
    const covered = this.#host.getBoundingClientRect().bottom - (seen.offsetTop + seen.height)
    this.#events.covered(Math.max(0, covered))
    this.#look()
  }
}
