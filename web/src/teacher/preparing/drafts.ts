import { type Sheet, sheetUpToDate } from '@hand-back/core'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

/** A sheet that is not at school yet, and the state of the worksheet that it was made from. */
export interface Draft {
  readonly worksheet: string
  readonly revision: number
  readonly sheet: Sheet
}

/** What this device keeps of worksheets being prepared. A device that cannot keep does without. */
export interface Drafts {
  put(draft: Draft): Promise<void>
  drop(worksheet: string): Promise<void>
  get(worksheet: string): Promise<Draft | undefined>
}

interface Store extends DBSchema {
  drafts: { key: string; value: Draft }
}

export function deviceDrafts(): Drafts {
  let opened: Promise<IDBPDatabase<Store>> | undefined
  // Opening may throw at once where a browser keeps nothing.
  const store = async () => {
    opened ??= openDB<Store>('hand-back-drafts', 1, {
      upgrade: (db) => void db.createObjectStore('drafts', { keyPath: 'worksheet' }),
    })
    return opened
  }
  const orNothing = <T>(doing: Promise<T>) => doing.catch(() => undefined)
  return {
    put: async (draft) => void (await orNothing(store().then((db) => db.put('drafts', draft)))),
    drop: async (worksheet) => void (await orNothing(store().then((db) => db.delete('drafts', worksheet)))),
    get: async (worksheet) => {
      const kept = await orNothing(store().then((db) => db.get('drafts', worksheet)))
      return kept && { ...kept, sheet: sheetUpToDate(kept.sheet) }
    },
  }
}
