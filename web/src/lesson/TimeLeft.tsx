import { isRunning, isTimed, sayTime, type Timer, timeLeft } from '@hand-back/core'
import { Hourglass } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { softSound } from './softSound.ts'
import { useSchoolTime } from './useClock.ts'

interface TimeLeftProps {
  timer: Timer | null
  /** As it stands on a wall, not in a row of controls. */
  large?: boolean
  /** It is heard when it is up. */
  sounds?: boolean
}

/** The time that is left, counted by the clock of school. */
export function TimeLeft({ timer, large = false, sounds = false }: TimeLeftProps) {
  const now = useSchoolTime(timer)
  const left = timer && isTimed(timer, now) ? timeLeft(timer, now) : undefined
  useSound(sounds ? left : undefined)
  if (!timer || left === undefined) return null
  const up = left === 0
  return (
    <span
      role="timer"
      aria-live={up ? 'polite' : 'off'}
      className={`inline-flex items-center gap-2 whitespace-nowrap tabular-nums ${large ? 'font-serif text-4xl font-semibold' : 'rounded-tag bg-blotter px-2.5 py-1.5 font-semibold'} ${up ? 'text-ochre' : 'text-ink'}`}
    >
      {!large && <Hourglass size={18} aria-hidden="true" className="shrink-0" />}
      {up ? 'Time is up' : sayTime(left)}
      {!up && !isRunning(timer) && <span className="font-normal font-sans text-ink-soft text-sm">waits</span>}
    </span>
  )
}

/** Whoever comes when time is up long since hears nothing. */
function useSound(left: number | undefined): void {
  const before = useRef<number>(undefined)
  useEffect(() => {
    const ended = left === 0 && before.current !== undefined && before.current > 0 && before.current < 3000
    before.current = left
    if (ended) softSound()
  }, [left])
}
