import type { Item, WorksheetPage } from '@hand-back/core'
import { useEffect, useState } from 'react'
import { readAloud, wordsToRead } from './readAloud.ts'

/** Reads a page aloud; nothing where this device has no voice. Voices are told a while after the start. */
export function useReading(page: WorksheetPage, items: readonly Item[]): (() => void) | undefined {
  const [has, setHas] = useState(false)
  useEffect(() => {
    const voice = globalThis.speechSynthesis
    if (!voice) return
    const look = () => setHas(voice.getVoices().length > 0)
    look()
    voice.addEventListener('voiceschanged', look)
    return () => voice.removeEventListener('voiceschanged', look)
  }, [])
  return has ? () => readAloud(wordsToRead(page, items)) : undefined
}
