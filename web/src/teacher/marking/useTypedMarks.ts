import { readMarks, sayMarks } from '@hand-back/core'
import { useRef, useState } from 'react'

/** A field in which marks are typed: what stands in it, whether that can be given, and when it is. All in hundredths. */
export function useTypedMarks(
  given: number | undefined,
  full: number,
  onGive: (hundredths: number) => void,
  onTake: () => void,
) {
  const [typed, setTyped] = useState<string>()
  const read = typed === undefined ? given : readMarks(typed)
  const tooMuch = read !== undefined && read > full
  const isWrong = typed !== undefined && typed.trim() !== '' && (read === undefined || tooMuch)
  /** Escape leaves what was there before. */
  const escaped = useRef(false)
  return {
    shown: typed ?? (given === undefined ? '' : sayMarks(given)),
    read,
    tooMuch,
    isWrong,
    type: setTyped,
    /** Gives what was typed, if it can be given. */
    keep() {
      if (!escaped.current && typed !== undefined && !isWrong) {
        if (typed.trim() === '') onTake()
        else if (read !== given) onGive(read!)
      }
      setTyped(undefined)
    },
    give(hundredths: number) {
      setTyped(undefined)
      onGive(Math.min(full, Math.max(0, hundredths)))
    },
    leave(field: HTMLElement) {
      escaped.current = true
      field.blur()
      escaped.current = false
    },
  }
}
