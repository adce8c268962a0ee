import type { AnswerKey } from '@hand-back/core'
import { useStore } from 'zustand'
import { usePreparing } from '../context.ts'

/** The key of a place, and how to change it. Only the teacher sees it. */
export function useKey(place: string) {
  const { store } = usePreparing()
  const key = useStore(store.view, ({ sheet }) => sheet.keys[place])
  const setKey = (next: AnswerKey | undefined) =>
    store.change((sheet) => {
      const { [place]: _before, ...keys } = sheet.keys
      return { ...sheet, keys: next ? { ...keys, [place]: next } : keys }
    }, `key ${place}`)
  return [key, setKey] as const
}

export const ONLY_YOU = 'Only you see this.'
