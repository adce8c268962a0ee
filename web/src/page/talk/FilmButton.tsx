import type { CopyWhole } from '@hand-back/core'
import { useStore } from 'zustand'
import { Button } from '../../ui/Button.tsx'
import { beginFilm, films, stopFilm } from './films.ts'
import type { Coming } from './strokesSeen.ts'
import type { Talked } from './talked.ts'
import type { Replaying } from './useReplay.ts'

interface FilmButtonProps {
  copy: CopyWhole
  talked: Talked
  replaying: Replaying
  coming: Coming
  photoUrl: (name: string) => string
}

/** Takes a talk-through away as a film, for those who have nothing else to see it with. */
export function FilmButton({ copy, talked, replaying, coming, photoUrl }: FilmButtonProps) {
  const part = useStore(films, ({ making }) => making.get(talked.id))
  if (part === undefined) {
    const { before, after } = replaying
    const { through } = replaying.replay
    const begin = () =>
      void beginFilm(talked.id, `${copy.title}, talked through`, talked.source, {
        copy,
        before,
        after,
        through,
        coming,
        photoUrl,
      })
    return <Button onClick={begin}>Save as a film</Button>
  }
  return (
    <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <label className="flex items-center gap-3 text-ink-soft">
        The film is being made
        <progress value={part} max={1} className="h-2 w-32" />
      </label>
      <Button onClick={() => stopFilm(talked.id)}>Stop</Button>
    </span>
  )
}
