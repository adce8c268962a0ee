import type { Stroke, Talk } from '@hand-back/core'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Camera, Recorded } from './recorder.ts'

/** Where a recording is to lie: at a place of a page of a copy, in points. */
export interface Spot {
  readonly copy: string
  readonly page: string
  readonly x: number
  readonly y: number
  /** The printed place that it is spoken into. */
  readonly place?: string
  /** The piece of feedback that it answers: then it lies on no page. */
  readonly to?: string
  /** It is a film, of this camera. */
  readonly film?: Camera
  /** It is pinned to the place, or answers the pin `to`. */
  readonly pin?: { readonly to?: string }
}

/** A recording that is under way, or was when its tab ended. */
export interface RecordingHere extends Spot {
  readonly id: string
  /** Whose voice it is: only they are offered it. */
  readonly person: string
  /** When it began, in milliseconds since 1970. */
  readonly began: number
  readonly seconds: number
  /** What was done meanwhile: when each second was spoken, and on which page. Not with what was brought in. */
  readonly talk?: Talk
  /** Something was made meanwhile. */
  readonly drew?: boolean
  /** What was put on the pages meanwhile where that is not in a log: when, in milliseconds since 1970, and its id. */
  readonly things?: readonly (readonly [moment: number, id: string])[]
  /** What was drawn meanwhile to be seen with it alone: when each stroke was there, in milliseconds since 1970. */
  readonly drawn?: readonly (readonly [moment: number, stroke: Stroke])[]
}

interface Store extends DBSchema {
  recordings: { key: string; value: RecordingHere; indexes: { person: string } }
  pieces: { key: [recording: string, index: number]; value: Blob }
}

/**
 * What this device keeps of recordings that lie on no page yet: each piece as it is spoken, so that a killed tab
 * loses no more than the last second. A device that cannot keep does without: the recording itself goes on.
 */
export class RecordingsHere {
  #opened: Promise<IDBPDatabase<Store>> | undefined
  readonly #next = new Map<string, number>()

  /** One more piece of it, and how long it is with that. */
  async add(recording: RecordingHere, piece: Blob): Promise<void> {
    const index = this.#next.get(recording.id) ?? 0
    this.#next.set(recording.id, index + 1)
    await this.#orNothing(async (db) => {
      const writing = db.transaction(['recordings', 'pieces'], 'readwrite')
      await Promise.all([
        writing.objectStore('recordings').put(recording),
        writing.objectStore('pieces').put(piece, [recording.id, index]),
        writing.done,
      ])
    })
  }

  /** Those of a person, the oldest first. */
  async of(person: string): Promise<RecordingHere[]> {
    const all = (await this.#orNothing((db) => db.getAllFromIndex('recordings', 'person', person))) ?? []
    return all.filter(({ seconds }) => seconds > 0).sort((one, other) => one.began - other.began)
  }

  /** All that was said of it. */
  async whole({ id, seconds }: RecordingHere): Promise<Recorded | undefined> {
    const pieces = await this.#orNothing((db) => db.getAll('pieces', allPieces(id)))
    if (!pieces || pieces.length === 0) return undefined
    return { bytes: new Blob(pieces, { type: pieces[0]!.type }), seconds }
  }

  async drop(id: string): Promise<void> {
    this.#next.delete(id)
    await this.#orNothing(async (db) => {
      const writing = db.transaction(['recordings', 'pieces'], 'readwrite')
      await Promise.all([
        writing.objectStore('recordings').delete(id),
        writing.objectStore('pieces').delete(allPieces(id)),
        writing.done,
      ])
    })
  }

  async #orNothing<T>(doing: (db: IDBPDatabase<Store>) => Promise<T>): Promise<T | undefined> {
    try {
      this.#opened ??= openDB<Store>('hand-back-recordings', 1, {
        upgrade: (db) => {
          db.createObjectStore('recordings', { keyPath: 'id' }).createIndex('person', 'person')
          db.createObjectStore('pieces')
        },
      })
      return await doing(await this.#opened)
    } catch {
      return undefined
    }
  }
}

const allPieces = (id: string) => IDBKeyRange.bound([id, 0], [id, Number.POSITIVE_INFINITY])
