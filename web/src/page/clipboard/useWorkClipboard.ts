import {
  type Box,
  blankItem,
  boundsOfItem,
  boxOfBounds,
  CALLS,
  type CopyWhole,
  freeSpot,
  type Item,
  type Placed,
  seenBox,
  type Thing,
  type WorksheetPage,
} from '@hand-back/core'
import { useMemo } from 'react'
import { fetchFile, Problem, urlOf } from '../../api/ask.ts'
import { sayProblem, saySentence } from '../../ui/notices.ts'
import { smallerPhoto } from '../answers/smallerPhoto.ts'
import type { CopyStore } from '../copy/copyStore.ts'
import type { Attachment } from '../device/keepsake.ts'
import type { Putting } from '../kinds/index.ts'
import type { Look } from '../kinds/laidKind.ts'
import { ASIDE, type Picking } from '../picking/usePicking.ts'
import { madeThing } from '../things/madeThing.ts'
import type { Things } from '../things/useThings.ts'
import type { WorkClipboard } from './useCopyPaste.ts'
import { type Carried, copyWork, lastCopied, pasted, picturesIn, readWork } from './workClipboard.ts'

interface Place {
  copy: CopyWhole
  store: CopyStore
  page: WorksheetPage
  placed: readonly Placed[]
  picking: Picking
  things: Things
  /** Where on the page one looks. */
  middle: () => { x: number; y: number }
  /** The part of the page that is seen. */
  part: () => Box
  bytesOf: (name: string) => Blob | undefined
  look: Look
  putting: Putting
}

export interface Pasting extends WorkClipboard {
  /** Puts the thing in hand where one looks. */
  putHere(): void
  copy(): void
  /** Puts what was copied in this tab last. */
  pasteLast(): void
  hasLast(): boolean
  addPicture(file: Blob): Promise<void>
}

/** The most of a page's width that a new picture takes, and the most of its height. */
const PICTURE = { width: 0.45, height: 0.5 }
const DOTS_PER_POINT = 150 / 72

/** Copying and pasting ink and things; words and pictures from elsewhere come as things. */
export function useWorkClipboard(place: Place): Pasting {
  const { copy, store, page, placed, picking, things, middle, part, bytesOf, look, putting } = place
  return useMemo(() => {
    // Where a child has written already a picture would come in scribbled over.
    const taken = () => [
      ...placed.map(({ item }) => boxOfBounds(boundsOfItem(item))),
      ...page.printed.map(seenBox),
    ]
    const addPicture = async (file: Blob) => {
      try {
        const photo = await smallerPhoto(file)
        const recording = crypto.randomUUID()
        things.add(pictureThing(recording, photo, page, part(), taken()), {
          name: recording,
          bytes: photo.bytes,
        })
      } catch {
        sayProblem(new Problem('This is not a picture that can be shown. Choose another.', 422))
      }
    }
    const put = async (all: Carried) => {
      const carried = all.copy === copy.id ? all : withoutFilms(all)
      const there = new Set(placed.map(({ item }) => item.id))
      const items = pasted(carried, there, page, ASIDE)
      const ready =
        carried.copy === copy.id
          ? items.map((item): Ready => ({ item }))
          : await withOwnPictures(items, carried.copy, bytesOf)
      const plain = ready.filter(({ picture }) => picture === undefined).map(({ item }) => item)
      store.together(() => {
        if (plain.length > 0) store.add(page.id, plain)
        for (const { item, picture } of ready) if (picture) store.add(page.id, [item], picture)
      })
      picking.pick(ready.map(({ item }) => item.id))
    }
    const paste = (carried: Carried) => void put(carried).catch(sayProblem)
    const words = (text: string) => {
      const thing = madeThing('text', { from: middle(), to: middle() }, look)
      if (thing.kind === 'text') things.putDown({ ...thing, text: text.slice(0, 20_000) })
    }
    return {
      addPicture,
      putHere: () => things.putDown(madeThing(putting, { from: middle(), to: middle() }, look)),
      cut: picking.take,
      copied: () => (picking.items.length === 0 ? undefined : copyWork(picking.items, copy.id)),
      copy: () => void (picking.items.length > 0 && copyWork(picking.items, copy.id)),
      hasLast: () => lastCopied() !== undefined,
      pasteLast() {
        const carried = lastCopied()
        if (carried) paste(carried)
      },
      paste(data) {
        const picture = [...data.files].find(({ type }) => type.startsWith('image/'))
        if (picture) return void addPicture(picture)
        const text = data.getData('text/plain')
        const carried = readWork(text)
        if (carried) paste(carried)
        else if (text.trim() !== '') words(text.trim())
      },
    } satisfies Pasting
  }, [copy.id, store, page, placed, picking, things, middle, part, bytesOf, look, putting])
}

/** A film stays where it was filmed: carried elsewhere, it would have to be sent once more. */
function withoutFilms({ handBackWork: all, copy }: Carried): Carried {
  const rest = all.filter(({ kind }) => kind !== 'film')
  if (rest.length < all.length) saySentence('A film stays in its own copy.')
  return { handBackWork: rest, copy }
}

interface Ready {
  readonly item: Item
  readonly picture?: Attachment
}

/** A picture of another copy is fetched and becomes one of this copy. */
async function withOwnPictures(
  items: readonly Item[],
  from: string,
  bytesOf: (name: string) => Blob | undefined,
): Promise<Ready[]> {
  const pictures = new Set<Item>(picturesIn(items))
  return Promise.all(
    items.map(async (item): Promise<Ready> => {
      if (!pictures.has(item) || item.kind !== 'picture') return { item }
      const here = bytesOf(item.file)
      const bytes = here ?? (await fetchPicture(from, item.file))
      const recording = crypto.randomUUID()
      // The photo that it was made of stays where it was taken.
      const { behind, ...alone } = item
      return { item: { ...alone, file: recording }, picture: { name: recording, bytes } }
    }),
  )
}

const fetchPicture = (copy: string, recording: string): Promise<Blob> =>
  fetchFile(
    urlOf(CALLS.attachment, { copy, attachment: recording }),
    'The picture cannot be fetched from the other copy just now.',
  )

function pictureThing(
  recording: string,
  { width, height }: { width: number; height: number },
  page: WorksheetPage,
  part: Box,
  taken: readonly Box[],
): Thing {
  const factor = Math.min(
    1 / DOTS_PER_POINT,
    (page.width * PICTURE.width) / width,
    (page.height * PICTURE.height) / height,
  )
  const [wide, high] = [width * factor, height * factor]
  const size = { width: wide, height: high }
  const box = { ...freeSpot(size, part, taken), ...size }
  return { ...blankItem('picture', box, () => crypto.randomUUID()), file: recording, turn: 0 }
}
