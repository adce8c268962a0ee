import type { CopyWork } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { asked } from '../asked.ts'

const NOTHING: readonly CopyWork[] = []
/** So often it is looked at again while the pile is open: students work on. In milliseconds. */
const AGAIN_AFTER = 60_000

/** What was done so far on the copies of a hand-out. Nothing until it is known. */
export function useHandoutWork(handout: string): readonly CopyWork[] {
  const { data } = useQuery({ ...asked.work(handout), refetchInterval: AGAIN_AFTER })
  return data ?? NOTHING
}
