import { CALLS, type Film, MOST_FILE_BYTES } from '@hand-back/core'
import { Problem, upload } from '../../api/ask.ts'
import { type FilmRead, readFilm } from '../../page/voice/readFilm.ts'
import { bringPicture } from './bringPicture.ts'

/** A film that a page can play, and its size in pixels. */
export type BroughtFilm = Pick<Film, 'file' | 'still' | 'seconds'> & Pick<FilmRead, 'width' | 'height'>

const CANNOT = 'This film cannot be played in a browser. Save it as MP4 (H.264) or WebM, and bring that.'

/** An hour, as long as a film on a page may be, in seconds. */
const LONGEST = 3600

/** Looks at a film and sends it, to lie on a page. `onPart`: how much of it has gone, 0 to 1. Throws `Problem`. */
export async function bringFilm(
  worksheet: string,
  file: File,
  onPart: (part: number) => void,
): Promise<BroughtFilm> {
  if (file.size > MOST_FILE_BYTES)
    throw new Problem(
      `This film is larger than ${MOST_FILE_BYTES / 1024 / 1024} MB, which is the most. Make it smaller, or link to it.`,
      413,
    )
  const read = await readFilm(file)
  if (!read) throw new Problem(CANNOT, 422)
  if (read.seconds > LONGEST) throw new Problem('A film on a page is at most an hour long.', 422)
  const { file: sha256 } = await upload(CALLS.bringInFilm, { worksheet }, [file], onPart)
  const still = await bringPicture(worksheet, read.still)
  return { file: sha256, still: still.file, seconds: read.seconds, width: read.width, height: read.height }
}
