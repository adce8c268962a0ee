import { isRunning, isTimed, LEAST_SECONDS, MOST_SECONDS, type Timer } from '@hand-back/core'
import { useState } from 'react'
import { TimeLeft } from '../../lesson/TimeLeft.tsx'
import { useSchoolTime } from '../../lesson/useClock.ts'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'
import type { Say } from './useLesson.ts'

/** Time that is counted down for everybody: begun, stopped, prolonged, ended. */
export function TimeForClass({ timer, say }: { timer: Timer | null; say: Say }) {
  const now = useSchoolTime(timer)
  if (!timer || !isTimed(timer, now)) return <NewTime say={say} />
  return (
    <section aria-label="Time" className="grid gap-2.5">
      <TimeLeft timer={timer} large sounds />
      <div className="grid grid-cols-2 gap-2">
        {isRunning(timer) ? (
          <Button onClick={() => void say({ say: 'wait' })}>Pause</Button>
        ) : (
          <Button onClick={() => void say({ say: 'go on' })}>Go on</Button>
        )}
        <Button onClick={() => void say({ say: 'no time' })}>End</Button>
        <Button onClick={() => void say({ say: 'more time', seconds: 60 })}>+ 1 min</Button>
        <Button onClick={() => void say({ say: 'more time', seconds: 300 })}>+ 5 min</Button>
      </div>
    </section>
  )
}

function NewTime({ say }: { say: Say }) {
  const [minutes, setMinutes] = useState('10')
  const seconds = Math.round(Number(minutes.replace(',', '.')) * 60)
  const fits = seconds >= LEAST_SECONDS && seconds <= MOST_SECONDS
  return (
    <section aria-label="Time">
      <form
        className="grid gap-1"
        onSubmit={(event) => {
          event.preventDefault()
          if (fits) void say({ say: 'time', seconds })
        }}
      >
        <div className="flex items-center gap-2">
          <label className="flex flex-1 items-center gap-2">
            <input
              inputMode="decimal"
              value={minutes}
              onChange={(event) => setMinutes(event.target.value)}
              aria-invalid={!fits}
              aria-describedby="minutes-told"
              className={`${INPUT} max-w-16 text-center font-semibold`}
            />
            minutes
          </label>
          <Button type="submit" disabled={!fits}>
            Start
          </Button>
        </div>
        <span id="minutes-told" role="status" className="text-madder text-sm">
          {!fits && `From ${LEAST_SECONDS} seconds to ${MOST_SECONDS / 3600} hours.`}
        </span>
      </form>
    </section>
  )
}
