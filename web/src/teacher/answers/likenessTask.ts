import type { Stroke } from '@hand-back/core'

/** "Which of these handwritten answers look alike?" */
export interface LikenessTask {
  readonly answers: readonly { readonly copy: string; readonly ink: readonly Stroke[] }[]
}

/** The heaps that were found, each a list of copies with those most alike beside each other. */
export interface LikenessFound {
  readonly heaps: readonly (readonly string[])[]
}
