import { z } from 'zod'
import { plainText } from '../words/plainText.ts'

/** Students who work together. */
export const group = z.object({
  id: z.uuid(),
  name: plainText().trim().min(1, 'A group needs a name.').max(60, 'That name is too long.'),
  students: z.array(z.uuid()).max(1000),
})
export type Group = z.infer<typeof group>
