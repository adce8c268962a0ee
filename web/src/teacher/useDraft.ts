import { useCallback, useState } from 'react'
import { z } from 'zod'
import { believed } from '../api/believed.ts'
import { dropNote, readNote, writeNote } from '../deviceNotes.ts'

/** Something half made, which this device keeps until it is done or begun anew. */
export interface Draft<T> {
  readonly value: T
  /** When it was last worked on, in milliseconds since 1970, where it was begun another time. */
  readonly goesOnFrom: number | undefined
  change(update: (before: T) => T): void
  /** Begins anew. */
  startAfresh(): void
  /** It is done: the next begins anew. */
  done(): void
}

/**
 * A form's content that survives leaving the screen, by name. What was kept is taken if `schema` still
 * reads it. Use a component with a key for each name.
 */
export function useDraft<T>(name: string, schema: z.ZodType<T>, fresh: () => T): Draft<T> {
  const key = `draft ${believed()} ${name}`
  const [kept, setKept] = useState(() => readKept(key, schema))
  const [value, setValue] = useState(() => kept?.value ?? fresh())
  const change = useCallback(
    (update: (before: T) => T) =>
      setValue((before) => {
        const now = update(before)
        writeNote(key, JSON.stringify({ at: Date.now(), value: now }))
        return now
      }),
    [key],
  )
  const done = useCallback(() => dropNote(key), [key])
  return {
    value,
    goesOnFrom: kept?.at,
    change,
    startAfresh() {
      done()
      setKept(undefined)
      setValue(fresh())
    },
    done,
  }
}

function readKept<T>(key: string, schema: z.ZodType<T>): { at: number; value: T } | undefined {
  try {
    return z.object({ at: z.number(), value: schema }).parse(JSON.parse(readNote(key) ?? 'null'))
  } catch {
    return undefined
  }
}
