import { MOST_VOICE_SECONDS } from '@hand-back/core'
import { AudioLines, Square } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Problem } from '../../api/ask.ts'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { StripButton } from '../StripButton.tsx'
import { type Recorded, Recorder } from './recorder.ts'
import { sayLength } from './VoiceNotes.tsx'

/** Shorter than this was a slip of the finger. */
const LEAST_SECONDS = 0.4

/** Records a voice note: press to begin, press to end. */
export function SpeakButton({ onRecorded }: { onRecorded: (recorded: Recorded) => void }) {
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

  const begin = async () => {
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

  if (!recorder) return <StripButton icon={AudioLines} label="Speak" onClick={() => void begin()} />
  return (
    <StripButton
      icon={Square}
      label={`Stop ${sayLength(seconds)}`}
      pressed
      onClick={() => recorder.stop()}
      hint={`at most ${sayLength(MOST_VOICE_SECONDS)}`}
    />
  )
}
