import { CALLS, type SpokenDirection } from '@hand-back/core'
import { Square, X } from 'lucide-react'
import { useEffect, useMemo } from 'react'
import { useStore } from 'zustand'
import { urlOf } from '../../api/ask.ts'
import { SpeakSign } from '../../page/strip/signs.ts'
import { sayNotRecorded } from '../../page/voice/recorder.ts'
import { sayLength } from '../../page/voice/sayLength.ts'
import type { Made } from '../../page/voice/speaking.ts'
import { Button } from '../../ui/Button.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { sayDone } from '../../ui/notices.ts'
import { sayWhen } from '../../ui/when.ts'
import { spokenWaiting } from './spokenWaiting.ts'
import { useSpokenDirection } from './useSpokenDirection.ts'

/** A direction that is spoken: recorded, listened to, taken away. It is on this device, second by second, until school has it. */
export function SpokenField({
  worksheet,
  spoken,
  onChange,
}: {
  worksheet: string
  spoken: SpokenDirection | null
  onChange: (spoken: SpokenDirection | null) => void
}) {
  const waiting = spokenWaiting()
  const keep = ({ id, bytes, seconds }: Made) => {
    void waiting.keep(id, bytes)
    onChange({ id, seconds })
  }
  const { seconds, left, begin, end, use, drop } = useSpokenDirection(worksheet, keep)
  if (spoken)
    return (
      <Spoken
        key={spoken.id}
        id={spoken.id}
        onTake={() => {
          void waiting.drop(spoken.id)
          onChange(null)
        }}
      />
    )
  if (left)
    return (
      <p role="status" className="flex flex-wrap items-center gap-x-3 gap-y-1">
        You said something here, {sayWhen(left.began)}, {sayLength(left.seconds)} long.
        <Button onClick={use}>Use it</Button>
        <Button look="quiet" onClick={() => sayDone('The recording is taken away.', drop())}>
          Take away
        </Button>
      </p>
    )
  const recording = seconds !== undefined
  return (
    <Button onClick={() => (recording ? end() : void begin().catch(sayNotRecorded))} className="self-start">
      {recording ? <Square size={17} aria-hidden="true" /> : <SpeakSign size={18} aria-hidden="true" />}
      {recording ? `Stop ${sayLength(Math.floor(seconds))}` : 'Say it instead'}
    </Button>
  )
}

function Spoken({ id, onTake }: { id: string; onTake: () => void }) {
  const waiting = spokenWaiting()
  const standing = useStore(waiting.state, (state) => state.get(id))
  const bytes = waiting.bytesOf(id)
  const here = useMemo(() => (bytes ? URL.createObjectURL(bytes) : undefined), [bytes])
  useEffect(() => () => (here ? URL.revokeObjectURL(here) : undefined), [here])
  return (
    <span className="flex flex-wrap items-center gap-2">
      {/* biome-ignore lint/a11y/useMediaCaption: it is what the teacher has just said */}
      <audio
        controls
        src={here ?? urlOf(CALLS.spoken, { spoken: id })}
        className="h-10 max-w-[280px]"
        aria-label="Your spoken direction"
      />
      <IconButton icon={X} label="Remove the spoken direction" onClick={onTake} />
      {standing !== undefined && (
        <span role="status" className="text-ochre">
          {standing === 'going' ? 'On this device. It is sent as soon as it can be.' : standing.refused}
        </span>
      )}
    </span>
  )
}
