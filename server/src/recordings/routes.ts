import { MOST_VOICE_BYTES, Refused } from '@hand-back/core'
import { eq } from 'drizzle-orm'
import { type RequestHandler, Router } from 'express'
import sharp from 'sharp'
import type { Context } from '../context.ts'
import { copyFor, mayReadRecording } from '../copies/index.ts'
import { recordings } from '../db/schema.ts'
import {
  dropFile,
  findFile,
  isSound,
  type StoredFile,
  sendSound,
  storeFile,
  wholeFile,
} from '../files/index.ts'
import { as, notHere, whoAsks } from '../http/as.ts'
import { idIn } from '../http/ids.ts'

/** Photos come from the device as it made them smaller; nothing else can be shown. */
const PHOTOS = new Set(['image/jpeg', 'image/png', 'image/webp'])
/** A photo of more pixels than this was not made smaller by our page. */
const MOST_PIXELS = 30_000_000

export function recordingRoutes({ db }: Context): Router {
  const router = Router()

  /** The sound or picture comes before what lies on the page. The id is the device's: sending twice keeps once. */
  const keepSound: RequestHandler = async (request, response) => {
    const person = whoAsks(request)
    const { copy } = await copyFor(db, person, idIn(request, 'copy'))
    const id = idIn(request, 'recording')
    const [there] = await db.select().from(recordings).where(eq(recordings.id, id))
    if (there && (there.copyId !== copy.id || there.authorId !== person.id)) throw notHere()
    if (!there) {
      const file = await storeFile(db, request, MOST_VOICE_BYTES)
      if (!isSound(file) && !(await isPhoto(db, file))) {
        await dropFile(db, file.sha256)
        throw new Refused('This is neither a sound that can be played nor a photo.', 422)
      }
      await db
        .insert(recordings)
        .values({ id, copyId: copy.id, authorId: person.id, file: file.sha256 })
        .onConflictDoNothing()
    }
    response.status(201).json({ recording: id })
  }
  router.put('/copies/:copy/recordings/:recording', as('anybody'), keepSound)

  router.get('/copies/:copy/recordings/:recording', as('anybody'), async (request, response) => {
    const { copy, role } = await copyFor(db, whoAsks(request), idIn(request, 'copy'))
    const [found] = await db
      .select()
      .from(recordings)
      .where(eq(recordings.id, idIn(request, 'recording')))
    if (!found || found.copyId !== copy.id) throw notHere()
    const byTeacher = found.authorId === copy.teacherId
    if (role === 'student' && byTeacher && !(await mayReadRecording(db, copy, found.id))) throw notHere()
    const file = (await findFile(db, found.file))!
    await sendSound(db, request, response, file)
  })
  return router
}

async function isPhoto(db: Context['db'], file: StoredFile): Promise<boolean> {
  if (!PHOTOS.has(file.type)) return false
  const picture = sharp(await wholeFile(db, file.sha256), { limitInputPixels: MOST_PIXELS })
  return picture.stats().then(
    () => true,
    () => false,
  )
}
