import type { Person } from '@hand-back/core'
import { useEffect } from 'react'
import { useHabits } from '../habits/useHabits.ts'
import { isSingle, type KeyAct, type KeyGroup, means } from './keyActs.ts'
import { isTyping, takesKeys } from './takesKeys.ts'

/** Listens for keys as long as the screen is there: the first act that they mean just now is done. */
export function useKeys(person: Person, groups: readonly KeyGroup[]): void {
  const [{ singleKeys = true }] = useHabits(person.id)
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const control = event.ctrlKey || event.metaKey
      if (control ? isTyping(event.target) : takesKeys(event.target)) return
      const over = event.target instanceof HTMLElement && event.target.closest('[role=dialog]') !== null
      const may = (act: KeyAct) => (singleKeys || !isSingle(act)) && (!over || act.anywhere === true)
      for (const { acts } of groups)
        for (const act of acts)
          if (act.run && may(act) && means(act, event) && act.run(event) !== false)
            return event.preventDefault()
    }
    addEventListener('keydown', press)
    return () => removeEventListener('keydown', press)
  }, [groups, singleKeys])
}
