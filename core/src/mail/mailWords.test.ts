import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { MAIL_ABOUT, mailWords } from './mailWords.ts'

const facts = {
  title: 'Reading a tide table',
  className: 'Curlew class',
  dueAt: Date.UTC(2026, 11, 3, 14, 0),
  again: false,
  address: 'http://school.example',
  timeZone: 'Europe/London',
}

describe('a mail to a student', () => {
  test('says what it is about, by when, and where it lies', () => {
    const { subject, words } = mailWords('due', facts)
    expect(subject).toBe('Due soon: Reading a tide table')
    expect(words).toContain('Thursday 3 December')
    expect(words).toContain('14:00')
    expect(words).toContain('http://school.example')
  })

  test('what came back says for what, and a date only with another go', () => {
    expect(mailWords('handed back', facts).words).not.toContain('due')
    const again = mailWords('handed back', { ...facts, again: true })
    expect(again.subject).toBe('Another go: Reading a tide table')
    expect(again.words).toContain('due Thursday')
    expect(mailWords('handed back', { ...facts, again: true, dueAt: null }).words).not.toContain('due')
  })

  test('its subject is one line, whatever a hand-out is called', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.constantFrom(...MAIL_ABOUT), (title, about) => {
        const { subject } = mailWords(about, { ...facts, title })
        expect(subject).not.toMatch(/[\r\n]/)
        expect(subject.length).toBeLessThanOrEqual(200)
      }),
    )
  })
})
