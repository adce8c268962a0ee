import type { Readable } from 'node:stream'
import {
  type AttachmentArrived,
  CALLS,
  CHUNK_BYTES,
  LAYERS,
  MOST_ATTACHMENT_BYTES,
  mayReply,
  mayWrite,
  type Person,
  Refused,
  readChunk,
} from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { COPY_FULL, copyFor, MOST_COPY_BYTES, seenAttachments } from '../copies/index.ts'
import type { Queries } from '../db/connect.ts'
import { attachments } from '../db/schema.ts'
import {
  findFile,
  nameChunks,
  type StoredFile,
  sendFilm,
  sendSound,
  storeFile,
  tooLarge,
} from '../files/index.ts'
import { Allowance } from '../http/allowance.ts'
import { answering, streamed } from '../http/answering.ts'
import { notHere } from '../http/as.ts'
import { announcedBytes, beginArriving, findArriving, keepChunk, takeArrived } from './arriving.ts'
import { lookedAt } from './lookedAt.ts'

/** So many attachments a person may begin to send in ten minutes: a teacher brings the paper of a whole class. */
const uploads = { student: new Allowance(200, 600_000), teacher: new Allowance(2000, 600_000) }

/** Of which attachment of which copy somebody asks. */
interface Asked {
  readonly id: string
  readonly person: Person
  readonly copy: Awaited<ReturnType<typeof copyFor>>['copy']
  readonly role: Awaited<ReturnType<typeof copyFor>>['role']
}

export function attachmentRoutes({ db }: Context): Router {
  const router = Router()

  /** What an attachment is known by: the device's own id, so that sending twice keeps once. Somebody else's is not here. */
  const asked = async (person: Person, ids: { copy: string; attachment: string }): Promise<Asked> => {
    const { copy, role } = await copyFor(db, person, ids.copy)
    return { id: ids.attachment, person, copy, role }
  }

  /** It comes before what names it on the page. */
  streamed(router, CALLS.keepAttachment, async ({ person, ids, request, response }) => {
    const of = await asked(person, ids)
    const said = request.headers['content-range']
    const answer =
      said === undefined ? await takeWhole(db, of, request) : await takeChunk(db, of, said, request)
    response.status(201).json(answer)
  })

  answering(router, CALLS.attachmentStanding, async ({ person, ids }) =>
    standing(db, await asked(person, ids)),
  )

  streamed(router, CALLS.attachment, async ({ person, ids, request, response }) => {
    const { copy, role } = await copyFor(db, person, ids.copy)
    const [found] = await seenAttachments(db, copy.id, role, [ids.attachment])
    if (!found) throw notHere()
    const file = (await findFile(db, found.file))!
    // A sound and a film may come in the same container: whoever asks knows which it is.
    await (request.query.film === undefined ? sendSound : sendFilm)(db, request, response, file)
  })
  return router
}

/** What has arrived of this person's attachment. Throws `Refused` (404) for one that is somebody else's, or another copy's. */
async function standing(db: Queries, { id, copy, person }: Asked): Promise<AttachmentArrived> {
  const [kept] = await db
    .select({ copy: attachments.copyId, author: attachments.authorId })
    .from(attachments)
    .where(eq(attachments.id, id))
  const arriving = kept ? undefined : await findArriving(db, id)
  const there = kept ?? arriving
  if (there && (there.copy !== copy.id || there.author !== person.id)) throw notHere()
  return { arrived: arriving?.arrived ?? 0, whole: kept !== undefined }
}

async function takeWhole(db: Context['db'], of: Asked, body: Readable): Promise<AttachmentArrived> {
  const before = await standing(db, of)
  if (before.whole) return before
  await mayBegin(db, of, 0)
  return keepWhole(db, of, await storeFile(db, body, MOST_ATTACHMENT_BYTES))
}

async function takeChunk(
  db: Context['db'],
  of: Asked,
  said: string,
  body: Readable,
): Promise<AttachmentArrived> {
  const bytes = await readBody(body)
  const chunk = readChunk(said)
  if (!chunk || bytes.length !== chunk.to - chunk.from + 1)
    throw new Refused('This is no chunk of a sound or picture.', 422)
  if (chunk.size > MOST_ATTACHMENT_BYTES) throw tooLarge(MOST_ATTACHMENT_BYTES)
  const before = await standing(db, of)
  if (before.whole || before.arrived !== chunk.from) return before
  if (chunk.from > 0) mayKeep(of)
  else {
    await mayBegin(db, of, chunk.size)
    await beginArriving(db, of.id, { copy: of.copy.id, author: of.person.id, size: chunk.size })
  }
  const arrived = await keepChunk(db, of.id, chunk, bytes)
  if (arrived !== chunk.size) return arrived === undefined ? standing(db, of) : { arrived, whole: false }
  const taken = await takeArrived(db, of.id)
  return taken ? keepWhole(db, of, await nameChunks(db, taken)) : standing(db, of)
}

/** Throws `Refused` when this person may neither write on the copy now nor answer what came back. */
function mayKeep({ copy, role }: Asked): void {
  if (!mayReply(role, copy) && !LAYERS.some((layer) => mayWrite(role, copy, layer)))
    throw new Refused('This copy is not yours to write on just now.', 423)
}

/** The same, and when there is no room for so many bytes more, or this person sends too much. */
async function mayBegin(db: Queries, of: Asked, bytes: number): Promise<void> {
  mayKeep(of)
  if (of.copy.bytes + (await announcedBytes(db, of.copy.id)) + bytes > MOST_COPY_BYTES)
    throw new Refused(COPY_FULL, 423)
  if (!uploads[of.role].take(of.person.id)) throw new Refused('That is too much at once. Wait a moment.', 429)
}

/** What was sent, as much as a chunk may be: read before anything is answered, or the device would not hear the answer. */
async function readBody(body: Readable): Promise<Buffer> {
  const parts: Buffer[] = []
  let length = 0
  for await (const part of body.iterator({ destroyOnReturn: false })) {
    parts.push(part as Buffer)
    length += (part as Buffer).length
    if (length > CHUNK_BYTES) break
  }
  return Buffer.concat(parts)
}

/** All of it has arrived: it is looked at, and kept under its name. */
async function keepWhole(db: Context['db'], of: Asked, file: StoredFile): Promise<AttachmentArrived> {
  const good = await lookedAt(db, of.person.id, file)
  await db.transaction(async (tx) => {
    const made = await tx
      .insert(attachments)
      .values({ id: of.id, copyId: of.copy.id, authorId: of.person.id, file: good.sha256 })
      .onConflictDoNothing()
      .returning({ id: attachments.id })
    if (made.length > 0)
      await tx.execute(sql`UPDATE copy SET bytes = bytes + ${good.size} WHERE id = ${of.copy.id}`)
  })
  return { arrived: 0, whole: true }
}
