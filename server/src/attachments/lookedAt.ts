import { Readable } from 'node:stream'
import { MOST_ATTACHMENT_BYTES, Refused } from '@hand-back/core'
import type { Database } from '../db/connect.ts'
import {
  type BareTask,
  dropFile,
  isFilm,
  isSound,
  type StoredFile,
  storeFile,
  wholeFile,
} from '../files/index.ts'
import { inTurn } from '../work/index.ts'

/** Photos come from the device as it made them smaller; nothing else can be shown. */
const PHOTOS = new Set(['image/jpeg', 'image/png', 'image/webp'])
/** A photo of more pixels than this was not made smaller by our page. */
const MOST_PIXELS = 30_000_000
const SECONDS_TO_READ = 20

/**
 * A sound or film as it is, or a photo without what its camera noted of place and time. Throws `Refused` for
 * anything else, and keeps nothing of it.
 */
export async function lookedAt(db: Database, person: string, file: StoredFile): Promise<StoredFile> {
  if (isSound(file) || isFilm(file)) return file
  const photo = PHOTOS.has(file.type) ? await barePhoto(db, person, file) : undefined
  await dropFile(db, file.sha256)
  if (!photo) throw new Refused('This is neither a sound or film that can be played nor a photo.', 422)
  return storeFile(db, Readable.from([Buffer.from(photo)]), MOST_ATTACHMENT_BYTES)
}

/** In a process of its own: a small file may unpack to a very large picture. */
function barePhoto(
  db: Database,
  person: string,
  { sha256, size }: StoredFile,
): Promise<Uint8Array | undefined> {
  return inTurn<Uint8Array | undefined>({
    kind: 'quick',
    script: new URL('../files/barePicture.ts', import.meta.url),
    name: 'barePictureOf',
    task: async (): Promise<BareTask> => ({ bytes: await wholeFile(db, sha256), most: MOST_PIXELS }),
    bytes: size,
    seconds: SECONDS_TO_READ,
    person,
  }).catch((error) => {
    if (error instanceof Refused) throw error
    return undefined
  })
}
