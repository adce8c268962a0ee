import { CALLS, type ItemChange, type VoiceNote } from '@hand-back/core'
import { BookmarkPlus, Download, Pause, PenLine, Play, Trash2 } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { urlOf } from '../../api/ask.ts'
import { fetchedPart } from '../../ui/fetchedPart.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { toScreen, type View } from '../view/view.ts'
import { NoteWords } from './NoteWords.tsx'
import { sayLength } from './sayLength.ts'
import type { HearAll } from './useHearAll.ts'
import { useSound } from './useSound.tsx'
import { VoiceLine } from './VoiceLine.tsx'

const SaveSound = fetchedPart('SaveSound', () => import('./SaveSound.tsx'))

/** What of a note can become other: where it lies, and its words. */
type NoteChange = Pick<ItemChange, 'x' | 'y' | 'words'>

interface VoiceNotesProps {
  copy: string
  notes: readonly { note: VoiceNote; mine: boolean; feedback: boolean }[]
  view: View
  /** The sound of a note that has not left this device yet. */
  soundOf: (name: string) => Blob | undefined
  /** All of them are heard in turn. */
  hearAll: HearAll
  /** Left out: only to listen. */
  onChange?: (note: VoiceNote, set: NoteChange, was: NoteChange) => void
  onTake?: (note: VoiceNote) => void
  /** Keeps one of one’s own to be said again; left out: nothing is kept. */
  onKeepIt?: (note: VoiceNote) => void
  /** Plays a voice with what was made while it spoke. */
  onWatch: (note: VoiceNote) => void
}

/** The voice notes that lie on a page: press to play, drag one's own elsewhere. */
export function VoiceNotes({ notes, ...rest }: VoiceNotesProps) {
  return notes.map(({ note, ...about }) => <VoiceTag key={note.id} note={note} {...about} {...rest} />)
}

/** A drag shorter than this many CSS pixels is a press. */
const STILL = 6

function VoiceTag({
  note,
  mine,
  feedback,
  copy,
  view,
  soundOf,
  hearAll,
  onChange,
  onTake,
  onKeepIt,
  onWatch,
}: Omit<VoiceNotesProps, 'notes'> & { note: VoiceNote; mine: boolean; feedback: boolean }) {
  const [dragged, setDragged] = useState({ x: 0, y: 0 })
  const [saves, setSaves] = useState(false)
  const [types, setTypes] = useState(false)
  const from = useRef<{ x: number; y: number; by: { x: number; y: number } | undefined }>(undefined)
  const [source] = useState(() => {
    const here = soundOf(note.recording)
    return here ? URL.createObjectURL(here) : urlOf(CALLS.attachment, { copy, attachment: note.recording })
  })
  useEffect(() => () => void (source.startsWith('blob:') && URL.revokeObjectURL(source)), [source])
  const { element, playing, at, trouble, toggle, seek, begin, pause } = useSound(
    source,
    note.seconds,
    note.heard,
    () => hearAll.heard(note.id),
  )
  const told = hearAll.told === note.id
  // biome-ignore lint/correctness/useExhaustiveDependencies: when its turn comes, and when it is taken from it
  useEffect(() => {
    if (!told) return
    begin()
    return pause
  }, [told])

  const place = toScreen(view, note)
  const begun = at !== undefined
  return (
    <div
      data-takes="all"
      // What is heard or written on lies over the others.
      className={`pointer-events-none absolute touch-none ${begun || types ? 'z-10' : ''}`}
      style={{ left: place.x + dragged.x, top: place.y + dragged.y }}
    >
      <div
        className={`pointer-events-auto flex w-max items-center rounded-tag border bg-card font-semibold shadow-[0_1px_3px_rgb(30_43_58/0.25)] ${feedback ? 'border-madder text-madder' : 'border-ink'}`}
      >
        <button
          type="button"
          aria-label={`${playing ? 'Pause' : 'Play'} voice note, ${sayLength(note.seconds)}`}
          className="flex min-h-[44px] items-center gap-2 rounded-tag px-3"
          onClick={() => !from.current?.by && toggle()}
          onKeyDown={(event) => event.key === 'Delete' && mine && onTake?.(note)}
          onPointerDown={(event) => {
            from.current = { x: event.clientX, y: event.clientY, by: undefined }
            if (mine && onChange) event.currentTarget.setPointerCapture(event.pointerId)
          }}
          onPointerMove={(event) => {
            const start = from.current
            if (!start || !mine || !onChange || event.buttons === 0) return
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
            const to = { x: note.x + by.x / view.scale, y: note.y + by.y / view.scale }
            onChange?.(note, to, { x: note.x, y: note.y })
          }}
        >
          {playing ? <Pause size={18} aria-hidden="true" /> : <Play size={18} aria-hidden="true" />}
          {!begun && <VoiceLine heard={note.heard} seconds={note.seconds} width={56} at={undefined} />}
          <span className="tabular">{sayLength(begun ? Math.max(0, note.seconds - at) : note.seconds)}</span>
        </button>
        {begun && (
          <span className="pr-1">
            <VoiceLine heard={note.heard} seconds={note.seconds} width={132} at={at} onSeek={seek} />
          </span>
        )}
        {note.talk && (
          <button
            type="button"
            className="flex min-h-[44px] items-center rounded-tag border-l border-rule px-3 hover:bg-blotter"
            onClick={() => {
              pause()
              onWatch(note)
            }}
          >
            Watch
          </button>
        )}
        {begun && (
          <IconButton icon={Download} label="Save the recording" onClick={() => setSaves((now) => !now)} />
        )}
        {begun && mine && onChange && (
          <IconButton icon={PenLine} label="Write it in words" onClick={() => setTypes(true)} />
        )}
        {begun && mine && onKeepIt && (
          <IconButton icon={BookmarkPlus} label="Keep as a remark" onClick={() => onKeepIt(note)} />
        )}
        {begun && mine && onTake && (
          <IconButton icon={Trash2} label="Take the voice note away" onClick={() => onTake(note)} />
        )}
      </div>
      {types && onChange && (
        <NoteWords
          words={note.words ?? ''}
          onKeep={(words) => onChange(note, { words }, { words: note.words ?? '' })}
          onClose={() => setTypes(false)}
        />
      )}
      {note.words && !types && (
        <p className="mt-0.5 max-w-[220px] rounded-tag border border-rule bg-card px-2 py-0.5 text-small leading-snug">
          {note.words}
        </p>
      )}
      {saves && <SaveSound source={source} onClose={() => setSaves(false)} />}
      {trouble && (
        <p role="alert" className="mt-1 w-52 rounded-tag border border-rule bg-card px-2 py-1 text-sm">
          This cannot be played just now.
        </p>
      )}
      {element}
    </div>
  )
}
