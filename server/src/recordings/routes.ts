import { Readable } from 'node:stream'
import { CALLS, LAYERS, MOST_VOICE_BYTES, mayWrite, Refused } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { COPY_FULL, copyFor, MOST_COPY_BYTES, seenRecordings } from '../copies/index.ts'
import { recordings } from '../db/schema.ts'
import {
  type BareTask,
  dropFile,
  findFile,
  isSound,
  type StoredFile,
  sendSound,
  storeFile,
  wholeFile,
} from '../files/index.ts'
import { Allowance } from '../http/allowance.ts'
import { streamed } from '../http/answering.ts'
import { notHere } from '../http/as.ts'
import { inTurn } from '../work/index.ts'

/** Photos come from the device as it made them smaller; nothing else can be shown. */
const PHOTOS = new Set(['image/jpeg', 'image/png', 'image/webp'])
/** A photo of more pixels than this was not made smaller by our page. */
const MOST_PIXELS = 30_000_000
const SECONDS_TO_READ = 20

/** So many recordings a person may send in ten minutes. */
const uploads = new Allowance(200, 600_000)

export function recordingRoutes({ db }: Context): Router {
  const router = Router()

  /** The sound or picture comes before what lies on the page. The id is the device's: sending twice keeps once. */
  streamed(router, CALLS.keepRecording, async ({ person, ids, request, response }) => {
    const { copy, role } = await copyFor(db, person, ids.copy)
    const id = ids.recording
    const [there] = await db.select().from(recordings).where(eq(recordings.id, id))
    if (there && (there.copyId !== copy.id || there.authorId !== person.id)) throw notHere()
    if (!there) {
      if (!LAYERS.some((layer) => mayWrite(role, copy, layer)))
        throw new Refused('This copy is not yours to write on just now.', 423)
      if (copy.bytes > MOST_COPY_BYTES) throw new Refused(COPY_FULL, 423)
      if (!uploads.take(person.id)) throw new Refused('That is too much at once. Wait a moment.', 429)
      const file = await storeRecording(db, person.id, request)
      await db.transaction(async (tx) => {
        const made = await tx
          .insert(recordings)
          .values({ id, copyId: copy.id, authorId: person.id, file: file.sha256 })
          .onConflictDoNothing()
          .returning({ id: recordings.id })
        if (made.length > 0)
          await tx.execute(sql`UPDATE copy SET bytes = bytes + ${file.size} WHERE id = ${copy.id}`)
      })
    }
    response.status(201).json({ recording: id })
  })

  streamed(router, CALLS.recording, async ({ person, ids, request, response }) => {
    const { copy, role } = await copyFor(db, person, ids.copy)
    const [found] = await seenRecordings(db, copy.id, role, [ids.recording])
    if (!found) throw notHere()
    const file = (await findFile(db, found.file))!
    await sendSound(db, request, response, file)
  })
  return router
}

/** Stores a sound, or a photo without what its camera noted of place and time. Throws `Refused` for anything else. */
async function storeRecording(db: Context['db'], person: string, body: Readable): Promise<StoredFile> {
  const file = await storeFile(db, body, MOST_VOICE_BYTES)
  if (isSound(file)) return file
  const photo = PHOTOS.has(file.type) ? await barePhoto(db, person, file) : undefined
  await dropFile(db, file.sha256)
  if (!photo) throw new Refused('This is neither a sound that can be played nor a photo.', 422)
  return storeFile(db, Readable.from([Buffer.from(photo)]), MOST_VOICE_BYTES)
}

/** In a process of its own: a small file may unpack to a very large picture. */
function barePhoto(
  db: Context['db'],
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
