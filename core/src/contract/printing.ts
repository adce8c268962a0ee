import { z } from 'zod'

/** How something is to be made for paper, as it stands behind the address of a PDF. */
export const printing = z.object({
  /** Only what is printed, without what anybody put on it. */
  empty: z.literal('yes').optional(),
  /** Whose it is, at the head of every page: name, class, which page. */
  named: z.literal('yes').optional(),
  /** Whose page it is, as a small code at its foot: a photo of the sheet finds its way back. */
  coded: z.literal('yes').optional(),
})
export type Printing = z.infer<typeof printing>

/** An address of a PDF with what is wanted of it. */
export function printAt(
  address: string,
  wanted: { readonly empty?: boolean; readonly named?: boolean; readonly coded?: boolean },
): string {
  const query = Object.entries(wanted)
    .filter(([, is]) => is)
    .map(([name]) => `${name}=yes`)
    .join('&')
  return query === '' ? address : `${address}?${query}`
}
