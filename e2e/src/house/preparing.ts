import type { Page } from '@playwright/test'
import { onScreen } from '../hands/hands.ts'
import { expect, type House } from './house.ts'
import type { Lesson } from './lesson.ts'

/** Opens the worksheet of a lesson in preparation. */
export async function openPreparing(house: House, teacher: Page): Promise<void> {
  await teacher.goto(`${house.url}/shelf`)
  await teacher.getByRole('link', { name: 'First page of Reading a tide table' }).first().click()
  await expect(teacher.getByTestId('preparing')).toBeVisible()
  await seeAll(teacher)
}

/** Zooms out until the whole page is in the window. */
export async function seeAll(page: Page): Promise<void> {
  const inside = async () => (await onScreen(page, { x: 0, y: 842 })).y < page.viewportSize()!.height - 140
  for (let press = 0; press < 8 && !(await inside()); press++) await page.keyboard.press('-')
}

export const kind = (teacher: Page, name: string) =>
  teacher.getByRole('navigation', { name: 'Put on the page' }).getByRole('button', { name, exact: true })

/** Puts a kind of thing in a box of the page, by dragging; places in points. */
export async function put(
  teacher: Page,
  name: string,
  x: number,
  y: number,
  width: number,
  height: number,
): Promise<void> {
  await kind(teacher, name).click()
  const from = await onScreen(teacher, { x, y })
  const to = await onScreen(teacher, { x: x + width, y: y + height })
  await teacher.mouse.move(from.x, from.y)
  await teacher.mouse.down()
  await teacher.mouse.move(to.x, to.y, { steps: 3 })
  await teacher.mouse.up()
}

/** While handing out: chooses the class of the lesson and no other. */
export async function chooseClass(teacher: Page, { className }: Lesson): Promise<void> {
  await teacher.getByRole('button', { name: className }).waitFor()
  const classes = teacher.getByRole('group', { name: 'Which class?' })
  for (const chosen of await classes.getByRole('button', { pressed: true }).all()) await chosen.click()
  await classes.getByRole('button', { name: className }).click()
}

/** Hands the worksheet in preparation out to the class of the lesson. */
export async function handOutTo(teacher: Page, lesson: Lesson): Promise<void> {
  await teacher.getByRole('button', { name: 'Hand out' }).click()
  await chooseClass(teacher, lesson)
  await teacher.getByRole('button', { name: 'Hand out 2 copies' }).click()
  await expect(teacher.locator('td[data-state]')).toHaveCount(2)
}

export const kept = (teacher: Page) => expect(teacher.locator('header [data-kept=kept]')).toBeVisible()

/** What the newest version of the worksheet has printed on its first page. */
export async function printed(house: House): Promise<Record<string, unknown>[]> {
  const [row] = await house.rows(
    `SELECT p.printed FROM worksheet_page p JOIN worksheet_version v ON v.id = p.version_id
     JOIN worksheet w ON w.id = v.worksheet_id ORDER BY w.changed_at DESC, v.number DESC, p.position LIMIT 1`,
  )
  return (row as { printed: Record<string, unknown>[] }).printed
}
