import { CALLS, type Habits } from '@hand-back/core'
import { useCallback } from 'react'
import { useStore } from 'zustand'
import { ask } from '../../api/ask.ts'
import { readNote, writeNote } from '../../deviceNotes.ts'
import { HabitStore } from './habitStore.ts'

let current: { person: string; store: HabitStore } | undefined

/** The habits of the person signed in, one store for the tab. */
export function habitsOf(person: string): HabitStore {
  if (current?.person === person) return current.store
  const store = new HabitStore(person, {
    ask: () => ask(CALLS.habits),
    send: (changed) => ask(CALLS.changeHabits, {}, changed),
    read: readNote,
    write: writeNote,
  })
  current = { person, store }
  return store
}

/** The habits of whoever was here are let go; nothing of them is written any more. */
export function forgetHabits(): void {
  current?.store.close()
  current = undefined
}

/** One's own habits, and how to change some. */
export function useHabits(person: string): [Habits, (changed: Habits) => void] {
  const store = habitsOf(person)
  const change = useCallback((changed: Habits) => store.change(changed), [store])
  return [useStore(store.state), change]
}
