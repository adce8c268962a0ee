import { makePdf } from '@hand-back/server/test/makePdf.ts'
import type { Page } from '@playwright/test'
import { giveOut, prepareLesson, signInStudent } from './fixtures/lesson.ts'
import { kept } from './fixtures/preparing.ts'
import { secondsIn, spokenFor } from './fixtures/speaking.ts'
import { expect, test, testServer } from './fixtures/test.ts'
import { along, button, drawWithPen, expectInk } from './hands/hands.ts'

const server = testServer()

const bar = (page: Page) => page.getByRole('region', { name: 'Recording' })
const list = (page: Page) => page.getByRole('navigation', { name: 'Add to the page' })

test('a teacher speaks and writes while preparing; whoever gets a copy hears it, and sees it come', async ({
  somebody,
}) => {
  const teacher = await somebody({ permissions: ['microphone'] })
  const lesson = await prepareLesson(server, teacher, ['Ottoline Adeyemi'], await makePdf([{}]), false)
  const at = `${server.url}/worksheet/${lesson.worksheet}`
  await teacher.goto(at)

  // Said only, left behind when its tab was killed, and put there all the same.
  await list(teacher).getByRole('button', { name: 'Voice', exact: true }).click()
  await spokenFor(bar(teacher), 2)
  await teacher.reload()
  await expect(bar(teacher)).toContainText('not kept yet')
  await teacher.getByLabel('The same in words, if you like').fill('Write large.')
  await bar(teacher).getByRole('button', { name: 'Keep' }).click()
  await expect(teacher.getByRole('heading', { name: 'Voice' })).toBeVisible()
  await expect(teacher.getByLabel('The same in words', { exact: true })).toHaveValue('Write large.')

  await list(teacher).getByRole('button', { name: 'Voice', exact: true }).click()
  await spokenFor(bar(teacher), 1)
  await list(teacher).getByRole('button', { name: 'My ink' }).click()
  await drawWithPen(teacher, along({ x: 80, y: 200 }, { x: 200, y: 200 }))
  const written = (await secondsIn(bar(teacher))) + 1
  await spokenFor(bar(teacher), written + 1)
  await drawWithPen(teacher, along({ x: 80, y: 240 }, { x: 200, y: 240 }))
  await bar(teacher).getByRole('button', { name: 'Stop' }).click()
  await bar(teacher).getByRole('button', { name: 'Keep' }).click()
  await expect(teacher.getByText('2 things come while it is heard')).toBeVisible()
  await kept(teacher)
  const { copies } = await giveOut(server, teacher, lesson)

  const ottoline = await somebody()
  await signInStudent(server, ottoline, lesson, 0)
  await ottoline.goto(`${server.url}/copy/${copies[0]!.id}`)
  await ottoline.getByRole('button', { name: /^Listen, 0:/ }).click()
  await expect(ottoline.getByText('Write large.').last()).toBeVisible()
  await expect(ottoline.getByRole('button', { name: /^(Pause|Play), 0:0/ })).toBeFocused()

  await ottoline.getByRole('button', { name: /^Watch it talked through/ }).click()
  const player = ottoline.getByRole('dialog', { name: 'Talked through' })
  await player.getByRole('radio', { name: 'hidden' }).click()
  await button(ottoline, 'Pause').click()
  const line = player.getByLabel('Where in the recording')
  const inPlayer = (y: number, there: boolean) => expectInk(ottoline, { x: 140, y }, there, 'talk')
  await line.fill('0')
  await inPlayer(200, false)
  await line.fill(String(written))
  await inPlayer(200, true)
  await inPlayer(240, false)
  await line.fill(await line.evaluate((range: HTMLInputElement) => range.max))
  await inPlayer(240, true)
})
