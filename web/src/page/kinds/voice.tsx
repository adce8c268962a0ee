import { CALLS } from '@hand-back/core'
import { Pause, Play } from 'lucide-react'
import { urlOf } from '../../api/ask.ts'
import { onScreen } from '../answers/onScreen.ts'
import { sayLength } from '../voice/sayLength.ts'
import { useSound } from '../voice/useSound.tsx'
import { VoiceLine } from '../voice/VoiceLine.tsx'
import type { ControlProps, PageKind } from './pageKind.ts'

export const voice: PageKind<'voice'> = { Control, worksToRead: true }

/** What is pressed is no smaller than a finger, in CSS pixels. */
const FINGER = 44

/** A voice printed on a page: a press lets it speak where it lies, or shows it with what comes meanwhile. */
function Control({ item, view, acts }: ControlProps<'voice'>) {
  const { seconds, heard, shows, said } = item
  const sound = useSound(urlOf(CALLS.file, { file: item.file }), seconds, heard)
  const box = onScreen(view, item)
  const height = Math.max(FINGER, box.height)
  const top = box.top + (box.height - height) / 2
  if (sound.at === undefined)
    return (
      <>
        <button
          type="button"
          data-takes="all"
          aria-label={`${shows ? 'Watch it talked through' : 'Listen'}, ${sayLength(seconds)}`}
          className="pointer-events-auto absolute rounded-tag hover:shadow-[0_0_0_3px_var(--color-verdigris)]"
          style={{ left: box.left, top, width: Math.max(FINGER, box.width), height }}
          onClick={() => (shows ? acts.watch(item) : sound.toggle())}
        />
        {sound.trouble && (
          <p
            role="alert"
            className="absolute w-52 rounded-tag border border-rule bg-card px-2 py-1 text-sm"
            style={{ left: box.left, top: top + height }}
          >
            This cannot be played just now.
          </p>
        )}
        {sound.element}
      </>
    )
  return (
    <div
      data-takes="all"
      className="pointer-events-none absolute z-10"
      style={{ left: box.left, top: box.top + (box.height - FINGER) / 2 }}
    >
      <div className="pointer-events-auto flex w-max items-center gap-2 rounded-tag border border-ink bg-card px-3 font-semibold shadow-[0_1px_3px_rgb(30_43_58/0.25)]">
        <button
          type="button"
          // biome-ignore lint/a11y/noAutofocus: it is what was pressed, as it is from now on
          autoFocus
          aria-label={`${sound.playing ? 'Pause' : 'Play'}, ${sayLength(seconds)}`}
          className="flex min-h-[44px] items-center gap-2"
          onClick={sound.toggle}
        >
          {sound.playing ? <Pause size={18} aria-hidden="true" /> : <Play size={18} aria-hidden="true" />}
          <span className="tabular">{sayLength(Math.max(0, seconds - sound.at))}</span>
        </button>
        <VoiceLine heard={heard} seconds={seconds} width={132} at={sound.at} onSeek={sound.seek} />
      </div>
      {said !== '' && (
        <p className="mt-0.5 max-w-[320px] rounded-tag border border-rule bg-card px-2 py-0.5 leading-snug">
          {said}
        </p>
      )}
      {sound.trouble && (
        <p role="alert" className="mt-1 w-52 rounded-tag border border-rule bg-card px-2 py-1 text-sm">
          This cannot be played just now.
        </p>
      )}
      {sound.element}
    </div>
  )
}
