import type { Corners, PageCode, WorksheetPage } from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { type Kept, openPhoto, type Photo } from '../openPhoto.ts'
import { type PdfPages, pdfPages } from '../pdfPages.ts'
import { printedToCompare } from '../printedToCompare.ts'
import { laySheet, type PaperInto } from './into.ts'

/** Where a sheet belongs. */
export interface Belongs {
  readonly copy: string
  readonly page: string
}

/** A sheet of paper on its way onto its page. */
export interface Sheet {
  readonly id: string
  /** Which file it is from, and which page of it. */
  readonly from: string
  /** `waits` to be read; `asks`: a person has to say whose it is; `ready` to be laid; `laid`; `unread`: it is no picture. */
  readonly state: 'waits' | 'reading' | 'asks' | 'ready' | 'laid' | 'unread'
  /** Why it asks, in a sentence. */
  readonly why?: string
  /** As far as it is known. */
  readonly to?: Partial<Belongs>
  /** The picture as it was taken, and where in it the sheet lies. */
  readonly taken?: Kept
  readonly corners?: Corners
  /** As it will lie on its page. */
  readonly straight?: Kept
}

/** Where the picture of a sheet comes from. `done`: it was read, or is not wanted. */
interface Source {
  picture(): Promise<Blob | ImageBitmap>
  done(): void
}

/** So many sheets are read at once: each takes the room of a photo. */
const AT_ONCE = Math.max(1, Math.min(3, (navigator.hardwareConcurrency || 2) - 1))

const NO_CODE = 'No code can be read on it.'
const ELSEWHERE = 'It was printed for something else.'
const OTHER_PRINT = 'It does not look like that page.'
const NO_PAGE = 'That copy has no such page now.'

/** Reads sheets of paper, some at once, and lays them where they belong. Nothing is laid where a person has not seen it. */
export class SheetReading {
  readonly view: StoreApi<{ sheets: readonly Sheet[] }> = createStore(() => ({ sheets: [] }))
  readonly #into: PaperInto
  readonly #sources = new Map<string, Source>()
  readonly #opened = new Map<string, ReturnType<PaperInto['open']>>()
  #reading = 0
  #ended = false

  constructor(into: PaperInto) {
    this.#into = into
  }

  /** Takes in scans as PDF and pictures. Fulfilled when it is known how many sheets they are. */
  async add(files: readonly File[]): Promise<void> {
    for (const file of files) {
      if (isPdf(file)) await this.#addPdf(file)
      else this.#addSheet(file.name, { picture: async () => file, done: () => {} })
    }
  }

  async #addPdf(file: File): Promise<void> {
    let pdf: PdfPages
    try {
      pdf = await pdfPages(file)
    } catch {
      this.#set([...this.#sheets, { id: crypto.randomUUID(), from: file.name, state: 'unread' }])
      return
    }
    let left = pdf.count
    const done = () => {
      if (--left === 0) pdf.close()
    }
    for (let number = 1; number <= pdf.count; number++)
      this.#addSheet(`${file.name}, page ${number}`, { picture: () => pdf.picture(number), done })
  }

  #addSheet(from: string, source: Source): void {
    const id = crypto.randomUUID()
    this.#sources.set(id, source)
    this.#set([...this.#sheets, { id, from, state: 'waits' }])
    void this.#work()
  }

  async #work(): Promise<void> {
    if (this.#reading >= AT_ONCE || this.#ended) return
    const next = this.#sheets.find(({ state }) => state === 'waits')
    if (!next) return
    this.#reading++
    this.#change(next.id, { state: 'reading' })
    void this.#work()
    await this.#read(next.id).catch(() => this.#change(next.id, { state: 'unread' }))
    this.#reading--
    void this.#work()
  }

  async #read(id: string): Promise<void> {
    const source = this.#sources.get(id)!
    this.#sources.delete(id)
    const picture = await source.picture().finally(source.done)
    const photo = await openPhoto(picture)
    try {
      this.#change(id, { taken: photo.taken, corners: photo.corners, ...(await this.#placed(photo)) })
    } finally {
      photo.close()
    }
  }

  /** Where a sheet belongs by its code, if what is printed on it says the same. */
  async #placed(photo: Photo): Promise<Partial<Sheet>> {
    const asks = async (why: string, to?: Partial<Belongs>): Promise<Partial<Sheet>> => ({
      ...(await withStraight(photo, photo.corners)),
      ...{ state: 'asks', why },
      ...(to ? { to } : {}),
    })
    const { code } = photo
    if (!code) return asks(NO_CODE)
    if (!this.#into.copies.some(({ id }) => id === code.copy)) return asks(ELSEWHERE)
    const page = await this.#page(code)
    if (!page) return asks(NO_PAGE, { copy: code.copy })
    const placed = await photo.place(await printedToCompare(code.copy, page), page, photo.corners)
    if (!placed?.agrees) return asks(OTHER_PRINT, code)
    return { ...(await withStraight(photo, placed.corners, page)), state: 'ready', to: code }
  }

  async #page({ copy, page }: PageCode): Promise<WorksheetPage | undefined> {
    return (await this.open(copy)).pages.find(({ id }) => id === page)
  }

  /** A copy with its pages, asked for once. */
  open(copy: string): ReturnType<PaperInto['open']> {
    let opened = this.#opened.get(copy)
    if (!opened) {
      opened = this.#into.open(copy)
      opened.catch(() => this.#opened.delete(copy))
      this.#opened.set(copy, opened)
    }
    return opened
  }

  /** A person says where a sheet belongs, and where it lies in its picture. */
  async say(id: string, to: Belongs, corners: Corners): Promise<void> {
    const sheet = this.#sheets.find((each) => each.id === id)
    if (!sheet?.taken) return
    const page = await this.#page(to)
    if (!page) return
    this.#change(id, { state: 'reading', to })
    try {
      const photo = await openPhoto(sheet.taken.bytes)
      try {
        const placed = await photo.place(await printedToCompare(to.copy, page), page, corners)
        const laid = placed?.agrees ? placed.corners : corners
        this.#change(id, { ...(await withStraight(photo, laid, page)), state: 'ready', to })
      } finally {
        photo.close()
      }
    } catch (error) {
      this.#change(id, sheet)
      throw error
    }
  }

  /** A sheet is left out. */
  leaveOut(id: string): void {
    this.#sources.get(id)?.done()
    this.#sources.delete(id)
    this.#set(this.#sheets.filter((each) => each.id !== id))
  }

  /** Lays all that are ready. Returns the copies into which they went. */
  async layAll(): Promise<string[]> {
    const copies = new Set<string>()
    for (const sheet of readyIn(this.#sheets)) {
      const to = sheet.to as Belongs
      await laySheet(this.#into, to, sheet.straight!, sheet.taken!)
      copies.add(to.copy)
      this.#change(sheet.id, { state: 'laid' })
    }
    this.#opened.clear()
    return [...copies]
  }

  /** What has not been read yet is left out. */
  stop(): void {
    for (const source of this.#sources.values()) source.done()
    this.#sources.clear()
    this.#set(this.#sheets.filter(({ state }) => state !== 'waits'))
  }

  /** Nothing more is read, or shown. */
  end(): void {
    this.#ended = true
    this.stop()
  }

  get #sheets(): readonly Sheet[] {
    return this.view.getState().sheets
  }

  #change(id: string, change: Partial<Sheet>): void {
    this.#set(
      this.#sheets.map((sheet) => {
        if (sheet.id !== id) return sheet
        const { why: _why, ...rest } = sheet
        return { ...rest, ...change }
      }),
    )
  }

  #set(sheets: readonly Sheet[]): void {
    this.view.setState({ sheets })
  }
}

export const isPdf = (file: File) => file.type === 'application/pdf' || /\.pdf$/i.test(file.name)

async function withStraight(
  photo: Photo,
  corners: Corners,
  page?: WorksheetPage,
): Promise<Pick<Sheet, 'straight'>> {
  const straight = await photo.straight(corners, page)
  return straight ? { straight } : {}
}

/** Two sheets of one page cannot both be laid there: a person leaves one of them out. */
export function isTwice(sheet: Sheet, all: readonly Sheet[]): boolean {
  const { to } = sheet
  return all.some(
    (other) =>
      other.id !== sheet.id &&
      other.state === 'ready' &&
      other.to?.copy === to?.copy &&
      other.to?.page === to?.page,
  )
}

/** The sheets that can be laid as they are. */
export const readyIn = (sheets: readonly Sheet[]): readonly Sheet[] =>
  sheets.filter((sheet) => sheet.state === 'ready' && sheet.straight && !isTwice(sheet, sheets))
