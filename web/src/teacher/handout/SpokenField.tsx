import { CALLS, type SpokenDirection } from '@hand-back/core'
import { AudioLines, Square, X } from 'lucide-react'
import { useState } from 'react'
import { putBytes, urlOf } from '../../api/ask.ts'
import type { Recorded } from '../../page/voice/recorder.ts'
import { useRecorder } from '../../page/voice/useRecorder.ts'
import { sayLength } from '../../page/voice/VoiceNotes.tsx'
import { Button } from '../../ui/Button.tsx'
import { sayProblem } from '../../ui/notices.ts'

/** A direction that is spoken: recorded, listened to, taken away. */
export function SpokenField({
  spoken,
  onChange,
}: {
  spoken: SpokenDirection | null
  onChange: (spoken: SpokenDirection | null) => void
}) {
  const [busy, setBusy] = useState(false)
  const keep = async ({ bytes, seconds }: Recorded) => {
    const id = crypto.randomUUID()
    setBusy(true)
    try {
      await putBytes(CALLS.keepSpoken, { spoken: id }, bytes)
      onChange({ id, seconds })
    } catch (error) {
      sayProblem(error)
    }
    setBusy(false)
  }
  const { recording, seconds, begin, end } = useRecorder((recorded) => void keep(recorded))
  if (spoken)
    return (
      <span className="flex items-center gap-2">
        {/* biome-ignore lint/a11y/useMediaCaption: it is what the teacher has just said */}
        <audio
          controls
          src={urlOf(CALLS.spoken, { spoken: spoken.id })}
          className="h-10 max-w-[280px]"
          aria-label="Your spoken direction"
        />
        <Button look="quiet" aria-label="Take the spoken direction away" onClick={() => onChange(null)}>
          <X size={17} aria-hidden="true" />
        </Button>
      </span>
    )
  return (
    <Button onClick={recording ? end : begin} disabled={busy} className="self-start">
      {recording ? <Square size={17} aria-hidden="true" /> : <AudioLines size={18} aria-hidden="true" />}
      {recording ? `Stop ${sayLength(seconds)}` : 'Say it instead'}
    </Button>
  )
}
