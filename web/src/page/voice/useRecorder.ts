import { useEffect, useRef, useState } from 'react'
import { Problem } from '../../api/ask.ts'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { type Recorded, Recorder } from './recorder.ts'

/** Shorter than this was a slip of the finger. */
const LEAST_SECONDS = 0.4

/** Records one voice note at a time: begin, end, and how long it has been. */
export function useRecorder(onRecorded: (recorded: Recorded) => void) {
  const [recorder, setRecorder] = useState<Recorder>()
  const [seconds, setSeconds] = useState(0)
  const current = useRef<Recorder>(undefined)

  useEffect(() => {
    if (!recorder) return
    const timer = setInterval(() => setSeconds(recorder.seconds), 250)
    return () => clearInterval(timer)
  }, [recorder])
  // Leaving the page ends the recording; what was said is not kept half-said.
  useEffect(() => () => current.current?.drop(), [])

  const start = async () => {
    try {
      const made = await Recorder.start((recorded) => {
        current.current = undefined
        setRecorder(undefined)
        if (recorded.seconds < LEAST_SECONDS)
          sayDone('That was too short. Press Speak, talk, then press Stop.')
        else onRecorded(recorded)
      })
      current.current = made
      setSeconds(0)
      setRecorder(made)
    } catch (error) {
      sayProblem(new Problem((error as Error).message, 0))
    }
  }
  return {
    recording: recorder !== undefined,
    seconds,
    begin: () => void start(),
    end: () => recorder?.stop(),
  }
}
