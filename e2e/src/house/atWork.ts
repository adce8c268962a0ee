import type { BrowserContextOptions, Page } from '@playwright/test'
import { button } from '../hands/hands.ts'
import { expect, type House } from './house.ts'
import { type Lesson, openCopy, prepareLesson } from './lesson.ts'

/** A ten-inch tablet, upright, for fingers. */
export const TABLET: BrowserContextOptions = { viewport: { width: 820, height: 1180 }, hasTouch: true }

/** A student at work on a copy of their own of this PDF, the lesson, and its teacher. */
export async function atWork(
  house: House,
  somebody: (options?: BrowserContextOptions) => Promise<Page>,
  pdf: Uint8Array,
  options: BrowserContextOptions = {},
): Promise<{ student: Page; teacher: Page; lesson: Lesson }> {
  const teacher = await somebody()
  const lesson = await prepareLesson(house, teacher, ['Lotte Lindqvist'], pdf)
  const student = await somebody(options)
  await openCopy(house, student, lesson, 0)
  return { student, teacher, lesson }
}

/** Opens the first student’s copy as the teacher marks it. */
export async function seeAsTeacher(house: House, teacher: Page, lesson: Lesson): Promise<void> {
  await teacher.goto(`${house.url}/handout/${lesson.handout}/pile/${lesson.students[0]!.copy}`)
  await expect(button(teacher, 'Next copy →')).toBeVisible()
}
