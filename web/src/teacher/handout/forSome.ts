import { useLocation } from 'react-router'
import { z } from 'zod'

/** Some of a class for whom something is to be handed out; it travels with the way to the screen, and survives a reload. */
const forSome = z.object({
  /** Of this choice of people. */
  id: z.uuid(),
  class: z.uuid(),
  /** Who of the class gets nothing. */
  left: z.array(z.uuid()),
})
export type ForSome = z.infer<typeof forSome>

/** What goes along to the screen where something is handed out. */
export const asState = (some: ForSome) => ({ forSome: some })

/** For whom of a class it is to be, where that was chosen before. */
export function useForSome(): ForSome | undefined {
  const { state } = useLocation()
  const read = z.object({ forSome }).safeParse(state)
  return read.success ? read.data.forSome : undefined
}
