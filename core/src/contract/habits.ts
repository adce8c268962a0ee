import { z } from 'zod'
import { colour, nib } from '../ink/stroke.ts'
import { hundredths } from '../kinds/mark.ts'
import { SIGN_FORMS } from '../kinds/sign.ts'
import { MAIL_ABOUT } from '../mail/mailWords.ts'
import { watchedWords } from '../pins/watched.ts'

/** A pen kept ready. Width in points. */
export const swatch = z.object({ nib, colour, width: z.number().min(0.2).max(100) })
export type Swatch = z.infer<typeof swatch>

/** The most pens that one person keeps ready. */
export const MOST_SWATCHES = 16

/**
 * How somebody likes to work, the same on every device and seen by nobody else. What is left out was
 * never chosen.
 */
export const habits = z.object({
  swatches: z.array(swatch).min(1).max(MOST_SWATCHES).optional(),
  /** Which of the swatches was used last. */
  active: z.number().int().min(0).max(MOST_SWATCHES).optional(),
  /** Whether the eraser takes whole strokes or exactly what it passes over. */
  eraser: z.enum(['whole', 'exact']).optional(),
  /** Where the strip of swatches lies. */
  strip: z.enum(['bottom', 'left', 'right']).optional(),
  /** A colour over the paper, for the eyes, and how strong it is, from 0 to 1; null: none. */
  tint: z
    .object({ colour, strength: z.number().min(0).max(1) })
    .nullable()
    .optional(),
  /** How much larger words and buttons are. */
  letters: z.enum(['usual', 'larger', 'largest']).optional(),
  /** What one finger does: it writes until a pen is seen, always writes, or always moves the page. */
  finger: z.enum(['until pen', 'writes', 'moves']).optional(),
  /** Whether what one draws is made neat: where one takes what is offered, always, or never. */
  neat: z.enum(['offered', 'always', 'never']).optional(),
  /** In what a ruler measures. */
  ruler: z.enum(['cm', 'in']).optional(),
  /** Whether one key alone, a letter, number or sign, does something on a page. */
  singleKeys: z.boolean().optional(),
  /** What an arrow key adds to a mark or takes off, in hundredths. */
  markStep: hundredths.optional(),
  /** The marks that a teacher's signs give where they are put down, in hundredths. */
  signs: z.partialRecord(z.enum(SIGN_FORMS), hundredths).optional(),
  /** While marking, pages lie one under another (or are seen one by one). */
  pagesRun: z.boolean().optional(),
  /** The words that a teacher is told of where they are pinned to a page. */
  watchedWords: watchedWords.optional(),
  /** Which mails do not come. */
  noMail: z.array(z.enum(MAIL_ABOUT)).max(MAIL_ABOUT.length).optional(),
})
export type Habits = z.infer<typeof habits>
