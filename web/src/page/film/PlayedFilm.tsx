import { X } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { IconButton } from '../../ui/IconButton.tsx'
import { onScreen } from '../answers/onScreen.ts'
import { soleSound } from '../voice/playing.ts'
import type { FilmInPlaceProps } from './filmInPlaceProps.ts'

/** A film is played no smaller than this, in CSS pixels: its controls must be there to be pressed. */
const LEAST_WIDTH = 300
/** Above it stands what puts it away, in CSS pixels. */
const ROOM_ABOVE = 20

/** A film playing where it lies. */
export function PlayedFilm({ film, source, view, onClose }: FilmInPlaceProps & { onClose: () => void }) {
  const [trouble, setTrouble] = useState(false)
  const box = onScreen(view, film)
  const width = Math.max(LEAST_WIDTH, box.width)
  const captions = useCaptions(film.captions)
  return (
    <section
      aria-label={film.alt || 'Film'}
      data-takes="all"
      className="pointer-events-auto absolute z-20 bg-ink shadow-[0_4px_18px_rgb(30_43_58/0.35)]"
      style={{
        left: Math.max(0, box.left + (box.width - width) / 2),
        top: Math.max(ROOM_ABOVE, box.top),
        width,
      }}
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      {trouble ? (
        <p role="alert" className="p-4 text-sheet">
          This film cannot be played just now.
        </p>
      ) : (
        // biome-ignore lint/a11y/useMediaCaption: those that its teacher gave it
        <video
          ref={(video) => video?.focus()}
          src={source}
          controls
          autoPlay
          playsInline
          preload="auto"
          className="block w-full"
          onPlay={({ currentTarget }) => soleSound(currentTarget)}
          onError={() => setTrouble(true)}
        >
          {captions && <track kind="captions" src={captions} label="Captions" default />}
        </video>
      )}
      <span className="absolute -top-3 -right-3 rounded-full border border-rule bg-card">
        <IconButton icon={X} label="Put the film away" onClick={onClose} />
      </span>
    </section>
  )
}

/** Where a player finds captions that are there as text. */
function useCaptions(text: string | undefined): string | undefined {
  const url = useMemo(
    () => (text ? URL.createObjectURL(new Blob([text], { type: 'text/vtt' })) : undefined),
    [text],
  )
  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url])
  return url
}
