import type { Corners, PageCode, PlacedSheet } from '@hand-back/core'
import { smallerPhoto } from '../answers/smallerPhoto.ts'
import type { PhotoAnswer, PhotoTask } from './photoTask.ts'
import PhotoWorker from './photoWorker.ts?worker'

/** The longest side of a photo of paper as it is kept, in pixels: 12 megapixels are taken as they are. */
const TAKEN = 4000
/** The longest side of what is laid on a page, in pixels: A4 at 200 dots an inch. */
const LAID = 2339
/** … and of what is only looked at. */
const SEEN = 900

/** A picture as it is kept. */
export interface Kept {
  readonly bytes: Blob
  readonly width: number
  readonly height: number
}

interface Size {
  readonly width: number
  readonly height: number
}

/** A photo in which a sheet was looked for. */
export interface Photo {
  /** As it was taken, without what cameras write into it. */
  readonly taken: Kept
  /** Where the sheet's corners are, in pixels of `taken`; its own where none was found. */
  readonly corners: Corners
  readonly found: boolean
  /** Whose page it is, where a code on it says so. */
  readonly code: PageCode | undefined
  /** The sheet between corners, straight and in even light; small, to look at. Nothing: the corners make none. */
  look(corners: Corners): Promise<Kept | undefined>
  /** Where a page lies in it, painted as it was printed with its code (`printedToCompare`); its sheet's corners are about these. */
  place(printed: ImageBitmap, page: Size, corners: Corners): Promise<PlacedSheet | undefined>
  /** The sheet as large as it is laid on a page; in the proportions of its page where that is known. */
  straight(corners: Corners, page?: Size): Promise<Kept | undefined>
  close(): void
}

/** Opens a photo of paper. Rejects for what is not a picture. */
export async function openPhoto(file: Blob | ImageBitmap): Promise<Photo> {
  const taken = await smallerPhoto(file, TAKEN)
  const picture = await createImageBitmap(taken.bytes)
  const worker = new PhotoWorker()
  // One after another: the worker answers in the order in which it is asked.
  let last: Promise<unknown> = Promise.resolve()
  const ask = (task: PhotoTask, moved: Transferable[] = []): Promise<PhotoAnswer> => {
    const asked = last.then(
      () =>
        new Promise<PhotoAnswer>((done, failed) => {
          worker.onmessage = ({ data }: MessageEvent<PhotoAnswer>) => done(data)
          worker.onerror = () => failed(new Error('the photo cannot be worked on'))
          worker.postMessage(task, moved)
        }),
    )
    last = asked.catch(() => {})
    return asked
  }
  const show = async (corners: Corners, most: number, page?: Size) => {
    const shown = await ask({ what: 'straighten', corners, most, ...(page ? { page } : {}) })
    return shown.what === 'straighten' ? shown : undefined
  }
  const opened = await ask({ what: 'open', picture }, [picture])
  if (opened.what !== 'open') throw new Error('the photo cannot be opened')
  const { corners, found, code } = opened.seen
  return {
    taken,
    corners,
    found,
    code: code?.code,
    look: (at) => show(at, SEEN),
    straight: (at, page) => show(at, LAID, page),
    async place(printed, { width, height }, at) {
      const told = await ask({ what: 'place', printed, page: { width, height }, corners: at }, [printed])
      return told.what === 'place' ? told.placed : undefined
    },
    close: () => worker.terminate(),
  }
}
