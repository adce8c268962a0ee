import { attachmentsOfItem, type FileNames, type Item, picturesOfItem, type Role } from '@hand-back/core'
import { seenAttachments } from '../copies/index.ts'
import type { Queries } from '../db/connect.ts'
import { findFile, readFile } from '../files/index.ts'

/** How files of these media types end. */
const ENDINGS: Readonly<Record<string, string>> = {
  'audio/webm': 'webm',
  'video/webm': 'webm',
  'audio/wav': 'wav',
  'audio/x-wav': 'wav',
  'audio/vnd.wave': 'wav',
  'audio/mpeg': 'mp3',
  'audio/mp4': 'm4a',
  'audio/x-m4a': 'm4a',
  'video/mp4': 'mp4',
  'audio/ogg': 'ogg',
  'application/ogg': 'ogg',
  'video/quicktime': 'mov',
}

/** What is to be heard and watched on a copy, as files with names: of these items, what this role may have. */
export async function* recordingsOn(
  db: Queries,
  copy: string,
  role: Role,
  items: readonly Item[],
  of: { readonly names: FileNames; readonly called: string; readonly folder: string },
): AsyncGenerator<{ name: string; pieces: AsyncIterable<Uint8Array> }> {
  const ids = items.flatMap((item) => {
    const pictures = new Set(picturesOfItem(item))
    return attachmentsOfItem(item).filter((id) => !pictures.has(id))
  })
  const order = new Map(ids.map((id, at) => [id, at]))
  const seen = await seenAttachments(db, copy, role, ids)
  seen.sort((a, b) => order.get(a.id)! - order.get(b.id)!)
  let number = 0
  for (const { file: sha256 } of seen) {
    const file = await findFile(db, sha256)
    const ending = file && ENDINGS[file.type]
    if (!file || !ending) continue
    number++
    yield {
      name: of.names.take(`${of.called}, recording ${number}`, ending, of.folder),
      pieces: readFile(db, file),
    }
  }
}
