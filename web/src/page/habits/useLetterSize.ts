import type { Habits, Person } from '@hand-back/core'
import { useEffect } from 'react'
import { useHabits } from './useHabits.ts'

const SIZES: Record<NonNullable<Habits['letters']>, string> = { usual: '', larger: '118%', largest: '136%' }

/** Makes the words of all screens as large as this person likes them, for as long as they are here. */
export function useLetterSize(person: Person): void {
  const [{ letters = 'usual' }] = useHabits(person.id)
  useEffect(() => {
    const root = document.documentElement
    root.style.fontSize = SIZES[letters]
    return () => {
      root.style.fontSize = ''
    }
  }, [letters])
}
