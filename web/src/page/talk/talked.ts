import type { Heard } from '@hand-back/core'

/** A voice that something comes with. */
export interface Talked {
  readonly id: string
  readonly seconds: number
  readonly heard?: Heard | undefined
  /** Where it is to be heard. */
  readonly source: string
}
