import { describe, expect, test } from '@jest/globals'
import { capital, count, sayDue, sayWhen } from './when.ts'

const today = (hour: number, minute = 0) => new Date().setHours(hour, minute, 0, 0)
const DAY = 24 * 60 * 60 * 1000

describe('moments', () => {
  test('near ones are said by the day, far ones by the date', () => {
    expect(sayWhen(today(9, 5))).toBe('today 9:05')
    expect(sayWhen(today(15) + DAY)).toBe('tomorrow 15:00')
    expect(sayWhen(today(8) - DAY)).toBe('yesterday 8:00')
    expect(sayWhen(today(23, 59))).toBe('today')
    expect(sayWhen(today(23, 59) + DAY)).toBe('tomorrow')
    expect(sayWhen(today(8) - 900 * DAY)).toMatch(/^\d+ \w{3} \d{4}$/)
  })
  test('what is late says so in a word', () => {
    const due = today(12)
    expect(sayDue(due, due - 1000)).toBe('due today 12:00')
    expect(sayDue(due, due + 1000)).toBe('was due today 12:00')
    expect(sayDue(null)).toBeUndefined()
  })
})

test('small counts are words, large ones figures', () => {
  expect(count(1, 'copy', 'copies')).toBe('one copy')
  expect(capital(count(9, 'copy waits', 'copies wait'))).toBe('Nine copies wait')
  expect(count(24, 'copy', 'copies')).toBe('24 copies')
  expect(count(0, 'copy', 'copies')).toBe('no copies')
})
