import { Refused } from '@hand-back/core'
import type { Request, Response } from 'express'
import type { Database } from '../db/connect.ts'
import { sendFile } from './serve.ts'
import { dropFile, type StoredFile, storeFile } from './store.ts'

// What recorders write, and what people bring: the containers look the same with and without pictures.
const SOUNDS: Record<string, string> = {
  'video/webm': 'audio/webm',
  'audio/webm': 'audio/webm',
  'video/matroska': 'audio/webm',
  'video/mp4': 'audio/mp4',
  'audio/mp4': 'audio/mp4',
  'audio/x-m4a': 'audio/mp4',
  'audio/ogg': 'audio/ogg',
  'audio/opus': 'audio/ogg',
  'audio/wav': 'audio/wav',
  'audio/mpeg': 'audio/mpeg',
}

/** Whether a file is a sound that browsers play. */
export function isSound({ type }: StoredFile): boolean {
  return SOUNDS[type] !== undefined
}

// A camera's own container is the standard's with another name; players go by the name.
const FILMS: Record<string, string> = {
  'video/webm': 'video/webm',
  'video/matroska': 'video/webm',
  'video/mp4': 'video/mp4',
  'video/x-m4v': 'video/mp4',
  'video/quicktime': 'video/mp4',
}

/** Whether a file is a film that browsers play: whether they do depends on what is in it. */
export function isFilm({ type }: StoredFile): boolean {
  return FILMS[type] !== undefined
}

/** Sends a film, or a part of it, under the type that players expect. Other files keep their own. */
export function sendFilm(
  db: Database,
  request: Request,
  response: Response,
  file: StoredFile,
): Promise<void> {
  return sendFile(db, request, response, { ...file, type: FILMS[file.type] ?? file.type })
}

/** Stores a sound. Throws `Refused` when it is none, leaving nothing behind. */
export async function storeSound(db: Database, body: Request, mostBytes: number): Promise<StoredFile> {
  const file = await storeFile(db, body, mostBytes)
  if (isSound(file)) return file
  await dropFile(db, file.sha256)
  throw new Refused('This is not a sound that can be played.', 422)
}

/** Sends a sound, or a part of it, under the type that players expect. Other files keep their own. */
export function sendSound(
  db: Database,
  request: Request,
  response: Response,
  file: StoredFile,
): Promise<void> {
  return sendFile(db, request, response, { ...file, type: SOUNDS[file.type] ?? file.type })
}
