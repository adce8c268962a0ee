import { isRunning, type Timer, timeLeft } from '@hand-back/core'
import { useEffect, useState } from 'react'
import { schoolNow } from './schoolClock.ts'

/** The time at school, again whenever a second of what is counted down is over; each second where nothing runs. */
export function useSchoolTime(timer: Timer | null): number {
  const [now, setNow] = useState(schoolNow)
  useEffect(() => {
    let waits: ReturnType<typeof setTimeout>
    const look = () => {
      const at = schoolNow()
      setNow(at)
      const left = timer && isRunning(timer) ? timeLeft(timer, at) : 0
      waits = setTimeout(look, (left % 1000) + (left % 1000 < 20 ? 1000 : 5))
    }
    look()
    return () => clearTimeout(waits)
  }, [timer])
  return now
}
