import type { SheetChange, WorksheetWhole } from '@hand-back/core'
import { beforeEach, describe, expect, jest, test } from '@jest/globals'
import { Problem } from '../../api/ask.ts'
import { plainPage, sheetOf, words } from '../../test/sheets.ts'
import type { Draft } from './drafts.ts'
import { changeBetween, SheetKeeper } from './sheetKeeper.ts'

/** A school that keeps what it is told, or fails as it is told to. */
class FakeSchool {
  told: SheetChange[] = []
  failing: Problem | undefined
  async keep(change: SheetChange) {
    if (this.failing) throw this.failing
    this.told.push(change)
    return { revision: change.revision + 1 }
  }
}

class FakeDevice {
  draft: Draft | undefined
  async put(draft: Draft) {
    this.draft = draft
  }
  async drop() {
    this.draft = undefined
  }
  async get() {
    return this.draft
  }
}

const [first, second] = [plainPage(), plainPage()]
const worksheet: WorksheetWhole = {
  id: crypto.randomUUID(),
  title: 'Reading a tide table',
  unit: '',
  revision: 7,
  frozen: false,
  sheet: sheetOf(first, second),
}
const changed = (text: string) => ({
  ...worksheet.sheet,
  pages: [{ ...first, printed: [words(text)] }, second],
})

let school: FakeSchool
let device: FakeDevice
let keeper: SheetKeeper
beforeEach(() => {
  jest.useFakeTimers()
  school = new FakeSchool()
  device = new FakeDevice()
  keeper = new SheetKeeper(worksheet, school, device)
})

describe('keeping a worksheet being prepared', () => {
  test('it lies on the device at once, and is sent when the hand rests', async () => {
    keeper.take(changed('ebb'))
    expect(keeper.state.getState().state).toBe('going')
    expect(device.draft).toMatchObject({ revision: 7 })
    keeper.take(changed('ebb and'))
    await jest.advanceTimersByTimeAsync(499)
    expect(school.told).toHaveLength(0)
    await jest.advanceTimersByTimeAsync(1)
    expect(school.told).toMatchObject([{ revision: 7, pages: [{ id: first.id }] }])
    expect(keeper.state.getState().state).toBe('kept')
    expect(device.draft).toBeUndefined()
  })

  test('out of reach it says so, and goes on trying with the newest', async () => {
    school.failing = new Problem('Can’t reach school just now.', 0)
    keeper.take(changed('ebb'))
    await jest.advanceTimersByTimeAsync(600)
    expect(keeper.state.getState()).toEqual({ state: 'here', refused: undefined })
    expect(device.draft).toBeDefined()
    school.failing = undefined
    await jest.advanceTimersByTimeAsync(1000)
    expect(school.told).toHaveLength(1)
    expect(keeper.state.getState().state).toBe('kept')
  })

  test('a refusal is said and not tried again until something changes', async () => {
    school.failing = new Problem('Somebody else changed this worksheet.', 412)
    keeper.take(changed('ebb'))
    await jest.advanceTimersByTimeAsync(20_000)
    expect(keeper.state.getState().refused).toBe('Somebody else changed this worksheet.')
    school.failing = undefined
    await jest.advanceTimersByTimeAsync(20_000)
    expect(school.told).toHaveLength(0)
    keeper.take(changed('flow'))
    await keeper.flush()
    expect(school.told).toHaveLength(1)
  })

  test('each change is made to the state that school told last', async () => {
    for (const text of ['ebb', 'flow']) {
      keeper.take(changed(text))
      await keeper.flush()
    }
    expect(school.told.map(({ revision }) => revision)).toEqual([7, 8])
  })
})

test('only what changed is told: pages by identity, and the order always', () => {
  const after = changed('ebb')
  expect(changeBetween(worksheet.sheet, after, 3)).toEqual({
    revision: 3,
    order: [first.id, second.id],
    pages: [after.pages[0]],
  })
  const turned = { ...worksheet.sheet, pages: [second, first] }
  expect(changeBetween(worksheet.sheet, turned, 3)).toMatchObject({ order: [second.id, first.id], pages: [] })
})
