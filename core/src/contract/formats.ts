/** An open format that a copy can be taken away in. */
export interface CopyFormat {
  /** As it is called on the screen. */
  readonly name: string
  /** Its media type (RFC 6838), and how its files' names end. */
  readonly type: string
  readonly ending: string
  /** Who may take copies away in it, of those who may read the copy at all. */
  readonly who: 'anybody' | 'teacher'
}

/**
 * Every format that a copy can be taken away in, by its name in addresses, in the order in which they are
 * offered. A new one is one line here and one in the server's table of makers (formats/makers.ts).
 */
export const COPY_FORMATS = {
  pdf: { name: 'PDF', type: 'application/pdf', ending: 'pdf', who: 'anybody' },
} as const satisfies Record<string, CopyFormat>

export type CopyFormatName = keyof typeof COPY_FORMATS
