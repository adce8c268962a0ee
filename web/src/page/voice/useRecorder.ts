import { USUAL_VOICE_SECONDS } from '@hand-back/core'
import { useEffect, useRef, useState } from 'react'
import { saySentence } from '../../ui/notices.ts'
import { type Recorded, Recorder, sayNotRecorded } from './recorder.ts'
import { LEAST_SECONDS, TOO_SHORT } from './speaking.ts'

/** Records one sound at a time that lies on no page: begin, end, and how long it has been. */
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
    const made = await Recorder.start(USUAL_VOICE_SECONDS, {
      onPiece: () => {},
      onEnd: (recorded) => {
        current.current = undefined
        setRecorder(undefined)
        if (recorded.seconds < LEAST_SECONDS) saySentence(TOO_SHORT)
        else onRecorded(recorded)
      },
    })
    current.current = made
    setSeconds(0)
    setRecorder(made)
  }
  return {
    recording: recorder !== undefined,
    seconds,
    begin: () => void start().catch(sayNotRecorded),
    end: () => recorder?.stop(),
  }
}
