import { CALLS, type VoiceNote } from '@hand-back/core'
import { Pause, Play } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { urlOf } from '../../api/ask.ts'
import { toScreen, type View } from '../view/view.ts'

interface VoiceNotesProps {
  copy: string
  notes: readonly { note: VoiceNote; mine: boolean }[]
  view: View
  /** The sound of a note that has not left this device yet. */
  soundOf: (name: string) => Blob | undefined
  /** Left out: only to listen. */
  onMove?: (note: VoiceNote, to: { x: number; y: number }) => void
  onTake?: (note: VoiceNote) => void
}

/** The voice notes that lie on a page: press to play, drag one's own elsewhere. */
export function VoiceNotes({ notes, ...rest }: VoiceNotesProps) {
  return notes.map(({ note, mine }) => <VoiceTag key={note.id} note={note} mine={mine} {...rest} />)
}

/** A drag shorter than this many CSS pixels is a press. */
const STILL = 6

function VoiceTag({
  note,
  mine,
  copy,
  view,
  soundOf,
  onMove,
  onTake,
}: Omit<VoiceNotesProps, 'notes'> & { note: VoiceNote; mine: boolean }) {
  const audio = useRef<HTMLAudioElement>(null)
  const [at, setAt] = useState<number>()
  const [trouble, setTrouble] = useState(false)
  const [dragged, setDragged] = useState({ x: 0, y: 0 })
  const from = useRef<{ x: number; y: number; by: { x: number; y: number } | undefined }>(undefined)
  const [source] = useState(() => {
    const here = soundOf(note.recording)
    return here ? URL.createObjectURL(here) : urlOf(CALLS.attachment, { copy, attachment: note.recording })
  })
  useEffect(() => () => void (source.startsWith('blob:') && URL.revokeObjectURL(source)), [source])

  const place = toScreen(view, note)
  const playing = at !== undefined
  const toggle = () => {
    if (playing) audio.current?.pause()
    else audio.current?.play().catch(() => setTrouble(true))
  }
  return (
    <div
      data-takes="all"
      className="pointer-events-auto absolute touch-none"
      style={{ left: place.x + dragged.x, top: place.y + dragged.y }}
    >
      <button
        type="button"
        aria-label={`${playing ? 'Stop' : 'Play'} voice note, ${sayLength(note.seconds)}`}
        className="flex min-h-[44px] items-center gap-2 rounded-tag border border-ink bg-card px-3 font-semibold shadow-[0_1px_3px_rgb(30_43_58/0.25)]"
        onClick={() => !from.current?.by && toggle()}
        onKeyDown={(event) => event.key === 'Delete' && mine && onTake?.(note)}
        onPointerDown={(event) => {
          from.current = { x: event.clientX, y: event.clientY, by: undefined }
          if (mine && onMove) event.currentTarget.setPointerCapture(event.pointerId)
        }}
        onPointerMove={(event) => {
          const start = from.current
          if (!start || !mine || !onMove || event.buttons === 0) return
          const by = { x: event.clientX - start.x, y: event.clientY - start.y }
          if (!start.by && Math.hypot(by.x, by.y) < STILL) return
          // What counts when it is let go, shown or not.
          start.by = by
          setDragged(by)
        }}
        onPointerUp={() => {
          const by = from.current?.by
          if (!by) return
          setDragged({ x: 0, y: 0 })
          onMove?.(note, { x: note.x + by.x / view.scale, y: note.y + by.y / view.scale })
        }}
      >
        {playing ? <Pause size={18} aria-hidden="true" /> : <Play size={18} aria-hidden="true" />}
        <InkLine part={playing ? at / Math.max(0.1, note.seconds) : 0} />
        <span className="tabular">{sayLength(playing ? Math.max(0, note.seconds - at) : note.seconds)}</span>
      </button>
      {trouble && (
        <p role="alert" className="mt-1 w-52 rounded-tag border border-rule bg-card px-2 py-1 text-sm">
          This cannot be played just now.
        </p>
      )}
      {/* biome-ignore lint/a11y/useMediaCaption: a child's own voice has no captions */}
      <audio
        ref={audio}
        src={source}
        preload="none"
        onPlay={() => setAt(0)}
        onTimeUpdate={(event) => !event.currentTarget.paused && setAt(event.currentTarget.currentTime)}
        onPause={(event) => {
          event.currentTarget.currentTime = 0
          setAt(undefined)
        }}
        onEnded={() => setAt(undefined)}
        onError={() => playing && setTrouble(true)}
      />
    </div>
  )
}

/** A line of ink, as on a swatch, in CSS pixels. */
const LINE = 'M3 11C7 1 12 1 16 9s9 8 13-1 9-8 13 0 7 5 11 1'

/** A line of ink that is written anew as it plays. */
function InkLine({ part }: { part: number }) {
  return (
    <svg width="56" height="20" fill="none" strokeWidth="2.5" strokeLinecap="round" aria-hidden="true">
      <path d={LINE} className={part > 0 ? 'stroke-rule' : 'stroke-ink'} />
      {part > 0 && (
        <path d={LINE} pathLength={1} strokeDasharray={`${part} 2`} className="stroke-verdigris" />
      )}
    </svg>
  )
}

/** Minutes and seconds, as on a clock. */
export function sayLength(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds))
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}
