import { filmSign } from '@hand-back/core'
import { useRef, useState } from 'react'
import { fetchedPart } from '../../ui/fetchedPart.tsx'
import { onScreen } from '../answers/onScreen.ts'
import { sayLength } from '../voice/sayLength.ts'
import type { FilmInPlaceProps } from './filmInPlaceProps.ts'

/** It plays once somebody wants to see it. */
export const PlayedFilm = fetchedPart('PlayedFilm', () => import('./PlayedFilm.tsx'))

/** What is pressed to play it is no smaller than a finger. */
const FINGER = 44

/** A film on a page: a press on its sign plays it where it lies. */
export function FilmInPlace({ film, source, view }: FilmInPlaceProps) {
  const [open, setOpen] = useState(false)
  const button = useRef<HTMLButtonElement>(null)
  const sign = onScreen(view, filmSign(film))
  const side = Math.max(FINGER, sign.width)
  const close = () => {
    setOpen(false)
    requestAnimationFrame(() => button.current?.focus())
  }
  if (open) return <PlayedFilm film={film} source={source} view={view} onClose={close} />
  return (
    <button
      ref={button}
      type="button"
      data-takes="all"
      aria-label={`Play the film${film.alt ? `: ${film.alt}` : ''}, ${sayLength(film.seconds)}`}
      className="pointer-events-auto absolute rounded-full hover:shadow-[0_0_0_3px_var(--color-sheet),0_0_0_5px_var(--color-verdigris)]"
      style={{
        left: sign.left + (sign.width - side) / 2,
        top: sign.top + (sign.height - side) / 2,
        width: side,
        height: side,
      }}
      onClick={() => setOpen(true)}
    />
  )
}
