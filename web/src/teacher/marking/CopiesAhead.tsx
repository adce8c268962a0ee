import type { CopyRow, Person } from '@hand-back/core'
import { useQueries } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { queries } from '../../api/queries.ts'
import { openCopy } from '../../page/copy/openCopies.ts'

interface CopiesAheadProps {
  /** Those that one may go to from here, and the one that is shown. */
  copies: readonly (CopyRow | undefined)[]
  person: Person
}

/** How long a copy has the device for itself before those around it are fetched, in milliseconds. */
const ITSELF_FIRST = 250

/**
 * Holds copies open with everything that is in them, so that the next is there when it is wanted. Shows nothing, and
 * stands for itself so that what comes for others does not draw the one that is shown anew.
 */
export function CopiesAhead({ copies, person }: CopiesAheadProps) {
  const wanted = useWhenCalm(copies.flatMap((copy) => copy?.id ?? []).join(' '), ITSELF_FIRST)
  const ids = wanted === '' ? [] : wanted.split(' ')
  const there = useQueries({
    queries: ids.map((id) => ({ ...queries.copy(id), staleTime: Number.POSITIVE_INFINITY })),
  }).flatMap(({ data }) => data ?? [])
  const key = there.map(({ id }) => id).join(' ')
  // biome-ignore lint/correctness/useExhaustiveDependencies: opened once for each copy; later news of it comes live
  useEffect(() => {
    const opened = there.map((copy) => openCopy(copy, person, 'feedback'))
    return () => {
      // Those that stay are opened again before these are let go.
      queueMicrotask(() => {
        for (const { close } of opened) close()
      })
    }
  }, [key, person.id])
  return null
}

/** A value, once it has stayed the same for so many milliseconds. */
function useWhenCalm(value: string, ms: number): string {
  const [calm, setCalm] = useState('')
  useEffect(() => {
    const timer = setTimeout(() => setCalm(value), ms)
    return () => clearTimeout(timer)
  }, [value, ms])
  return calm
}
