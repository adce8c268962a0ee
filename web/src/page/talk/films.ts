import { createStore } from 'zustand/vanilla'
import { Problem } from '../../api/ask.ts'
import { importAgain } from '../../ui/importAgain.ts'
import { sayProblem, saySentence } from '../../ui/notices.ts'
import { saveFile } from '../../ui/saveFile.ts'
import { soundAt } from '../voice/soundAt.ts'
import type { Film, makeFilm } from './makeFilm.ts'

type Wanted = Omit<Parameters<typeof makeFilm>[0], 'sound' | 'stopped' | 'onPart'>

interface Films {
  /** How much of each film is made, from 0 to 1, by the talk-through's note. */
  readonly making: ReadonlyMap<string, number>
}

/** The films that are being made at this device: whoever closes the talk-through or goes elsewhere still gets theirs. */
export const films = createStore<Films>(() => ({ making: new Map() }))

const stops = new Map<string, AbortController>()

/** Makes a film of a talk-through and offers it as a file. `title` is the file's name, without ending. Says how it ended. */
export async function beginFilm(note: string, title: string, source: string, wanted: Wanted): Promise<void> {
  if (stops.has(note)) return
  const stop = new AbortController()
  stops.set(note, stop)
  tell(note, 0)
  try {
    const { makeFilm } = await importAgain(() => import('./makeFilm.ts'))
    const film = await makeFilm({
      ...wanted,
      sound: await soundAt(source),
      stopped: stop.signal,
      onPart: (part) => tell(note, part),
    })
    saveFile(nameOf(title, film), film.bytes, film.type)
    saySentence('The film is made and saved on this device.')
  } catch (error) {
    if (!stop.signal.aborted) sayProblem(asProblem(error))
  } finally {
    stops.delete(note)
    tell(note, undefined)
  }
}

/** Stops making a film. */
export function stopFilm(note: string): void {
  stops.get(note)?.abort()
}

/** Stops all of them: whoever asked for them goes, and what they show is theirs. */
export function stopFilms(): void {
  for (const stop of stops.values()) stop.abort()
}

function tell(note: string, part: number | undefined): void {
  const making = new Map(films.getState().making)
  if (part === undefined) making.delete(note)
  else making.set(note, part)
  films.setState({ making })
}

/** The most letters of a title in a file's name. */
const LONGEST_NAME = 80

/** A file's name: what no system takes in one is left out. */
function nameOf(title: string, { type }: Film): string {
  const name = title.replace(/[\\/:*?"<>|\p{Cc}]+/gu, ' ').trim()
  return `${name.slice(0, LONGEST_NAME) || 'talked through'}.${type === 'video/mp4' ? 'mp4' : 'webm'}`
}

function asProblem(error: unknown): Error {
  if (error instanceof Problem) return error
  const cannot = error instanceof Error && error.name === 'NoFilms'
  return new Problem(
    cannot
      ? 'This browser cannot make films. A newer one can, and so can a laptop.'
      : 'The film could not be made just now. Nothing of the recording is lost.',
    0,
  )
}
