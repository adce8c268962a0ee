import { useEffect, useState } from 'react'
import { RecordingsHere } from './recordingsHere.ts'

/** The copies on which this person spoke something, on this device, that lies on no page yet. */
export function useRecordingsLeft(person: string): ReadonlySet<string> {
  const [copies, setCopies] = useState<ReadonlySet<string>>(new Set())
  useEffect(() => {
    let gone = false
    void new RecordingsHere().of(person).then((left) => {
      if (!gone) setCopies(new Set(left.map(({ copy }) => copy)))
    })
    return () => {
      gone = true
    }
  }, [person])
  return copies
}
