/** The strips on a screen, in their order, and the one that keys mean. */
export class StripFocus {
  root: HTMLElement | null = null
  /** The copy whose strip had the focus when something opened over it. */
  last: string | undefined

  /** The copy whose strip has the focus, or holds what has it. */
  get copy(): string | undefined {
    return this.#focused?.dataset.strip
  }

  /** To the strip so many further on; to an end of them where none has the focus. */
  go(by: 1 | -1): void {
    const all = this.#all
    const at = this.#focused
    const next = at ? all[all.indexOf(at) + by] : all.at(by > 0 ? 0 : -1)
    next?.focus()
    next?.scrollIntoView({ block: 'nearest' })
  }

  /** The copy whose strip comes after that of another. */
  after(copy: string): string | undefined {
    const all = this.#all
    return all[all.findIndex(({ dataset }) => dataset.strip === copy) + 1]?.dataset.strip
  }

  to(copy: string | undefined): void {
    this.#find(`[data-strip="${copy}"]`)?.focus()
  }

  toMarks(copy: string | undefined): void {
    this.#find(`[data-strip="${copy}"] [data-marks]`)?.focus()
  }

  toNameOf(heap: string): void {
    this.#find(`[data-heap-name="${heap}"]`)?.focus()
  }

  open(copy: string): void {
    this.#find(`[data-strip="${copy}"] [data-open]`)?.click()
  }

  get #all(): HTMLElement[] {
    return [...(this.root?.querySelectorAll<HTMLElement>('[data-strip]') ?? [])]
  }

  get #focused(): HTMLElement | undefined {
    return document.activeElement?.closest<HTMLElement>('[data-strip]') ?? undefined
  }

  #find(selector: string): HTMLElement | undefined {
    return this.root?.querySelector<HTMLElement>(selector) ?? undefined
  }
}
