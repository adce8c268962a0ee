import type { Printed } from '@hand-back/core'
import { AudioLines, Square } from 'lucide-react'
import type { View } from '../view/view.ts'
import { toScreen } from '../view/view.ts'
import type { Recorded } from '../voice/recorder.ts'
import { useRecorder } from '../voice/useRecorder.ts'
import { sayLength } from '../voice/VoiceNotes.tsx'

/** A place to speak: press to begin, press to end; the note then lies in it. */
export function SpeakPlace({
  item,
  view,
  onRecorded,
}: {
  item: Printed<'speak'>
  view: View
  onRecorded: (recorded: Recorded) => void
}) {
  const { recording, seconds, begin, end } = useRecorder(onRecorded)
  const at = toScreen(view, { x: item.x + item.width, y: item.y })
  return (
    <button
      type="button"
      data-takes="all"
      aria-label={recording ? `Stop ${sayLength(seconds)}` : item.label || 'Speak here'}
      onClick={recording ? end : begin}
      className={`pointer-events-auto absolute flex min-h-[44px] min-w-[44px] -translate-x-full items-center justify-center gap-1 rounded-tag border px-2 font-semibold ${recording ? 'border-ink bg-sheet' : 'border-verdigris bg-card text-verdigris'}`}
      style={{ left: at.x - 3, top: at.y + 3 }}
    >
      {recording ? <Square size={18} aria-hidden="true" /> : <AudioLines size={20} aria-hidden="true" />}
      {recording && <span className="tabular">{sayLength(seconds)}</span>}
    </button>
  )
}
