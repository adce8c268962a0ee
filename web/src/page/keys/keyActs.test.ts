import { expect, test } from '@jest/globals'
import { isSingle, type KeyAct, means, sayKeys } from './keyActs.ts'

const pressed = (key: string, more: object = {}) => ({
  key,
  code: '',
  shiftKey: false,
  ctrlKey: false,
  metaKey: false,
  ...more,
})
const undo: KeyAct = { keys: ['z'], control: true, words: 'undo' }
const redo: KeyAct = { keys: ['z'], control: true, shift: true, words: 'do again' }
const larger: KeyAct = { keys: ['+', '='], words: 'larger', run: () => {} }

test('Caps Lock does not turn undo into its opposite; Shift does', () => {
  expect(means(undo, pressed('Z', { ctrlKey: true }))).toBe(true)
  expect(means(redo, pressed('Z', { ctrlKey: true }))).toBe(false)
  expect(means(redo, pressed('Z', { ctrlKey: true, shiftKey: true }))).toBe(true)
  expect(means(redo, pressed('z', { ctrlKey: true, shiftKey: true }))).toBe(true)
  expect(means(undo, pressed('z', { metaKey: true }))).toBe(true)
  expect(means(undo, pressed('z'))).toBe(false)
})

test('a keyboard of another script undoes with the key at the same place, and no letter of it means a tool', () => {
  expect(means(undo, pressed('я', { code: 'KeyZ', ctrlKey: true }))).toBe(true)
  expect(means({ keys: ['e'], words: 'rub out' }, pressed('у', { code: 'KeyE' }))).toBe(false)
})

test('signs mean the same with Shift or without, for keyboards differ in where they have them', () => {
  expect(means(larger, pressed('+', { shiftKey: true }))).toBe(true)
  expect(means(larger, pressed('='))).toBe(true)
  expect(means(larger, pressed('+', { ctrlKey: true }))).toBe(false)
})

test('one key alone is a letter, a number or a sign without Control', () => {
  expect(isSingle(larger)).toBe(true)
  expect(isSingle(undo)).toBe(false)
  expect(isSingle({ keys: ['ArrowUp'], words: 'up', run: () => {} })).toBe(false)
  expect(isSingle({ keys: [' '], words: 'held, it moves the page' })).toBe(false)
})

test('keys are told as they stand on the keyboard', () => {
  expect(sayKeys(redo, false)).toEqual(['Control', 'Shift', 'Z'])
  expect(sayKeys(undo, true)).toEqual(['⌘', 'Z'])
  expect(sayKeys({ keys: ['ArrowLeft', 'ArrowRight'], words: 'move' }, false)).toEqual(['← →'])
  expect(sayKeys({ keys: ['1', '2'], told: '1 to 2', words: 'a pen' }, false)).toEqual(['1 to 2'])
})
