/** What something is made into: the name of its file, without ending, and what is in it. */
export interface Made {
  readonly name: string
  readonly bytes: Uint8Array
}

/** How it is wanted: only what is printed; whose it is at the head of every page; and as a code at its foot. */
export interface Wanted {
  readonly empty: boolean
  readonly named: boolean
  readonly coded: boolean
  /** Without the marks at the edge of each page and in what is said about all of it. */
  readonly withoutMarks?: boolean
  /** A sheet before it: whose it is, what its marks come to, the remarks written out. */
  readonly cover?: boolean
}
