import {
  boundsOfItem,
  boxOfBounds,
  type CopyWhole,
  drawnPage,
  emptyPage,
  type Item,
  inSight,
  itemUnder,
  type Page,
  type Stroke,
  secondOf,
  type WorksheetPage,
} from '@hand-back/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import { measure } from '../draw/letters.ts'
import { strokeAsPath } from '../draw/outlinePath.ts'
import { PageSurface } from '../surface/PageSurface.tsx'
import type { Surface } from '../surface/Surface.ts'
import { type Coming, strokesSeen } from './strokesSeen.ts'
import type { Replaying } from './useReplay.ts'

interface TalkPageProps {
  copy: CopyWhole
  sheet: WorksheetPage
  replaying: Replaying
  coming: Coming
  photoUrl: (name: string) => string
  /** Something was pressed that was spoken of at a second. */
  onHear: (second: number) => void
}

/** A press that went farther than this many CSS pixels moved the page; … */
const STILL = 8
/** … one finger wide, from its middle. */
const REACH = 14

/** A page of a talk-through as it was at the moment that is heard; a press on a stroke goes to when it was written. */
export function TalkPage({ copy, sheet, replaying, coming, photoUrl, onHear }: TalkPageProps) {
  const { shown, before, after, replay } = replaying
  const now = useItems(coming === 'shown' ? after.pages : shown.pages, sheet.id)
  const was = useItems(before.pages, sheet.id)
  const end = useItems(after.pages, sheet.id)
  const strokes = useMemo(
    () => strokesSeen({ before: was.strokes, now: now.strokes, after: end.strokes }, coming),
    [coming, was, now, end],
  )
  const drawn = useMemo(() => drawnPage(sheet, now.others, copy.id, measure), [sheet, now.others, copy.id])
  const [surface, setSurface] = useState<Surface>()
  const pressed = useRef<{ x: number; y: number }>(undefined)
  const written = shown.written?.page === sheet.id ? shown.written.stroke : undefined
  // What is being written comes into sight, as the hand's own place did.
  const writing = written?.id
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each stroke
  useEffect(() => {
    const stroke = writing && end.strokes.find(({ id }) => id === writing)
    if (stroke) surface?.bring(boxOfBounds(boundsOfItem(stroke)))
  }, [writing, surface])

  const hear = (at: { clientX: number; clientY: number }) => {
    const place = surface?.placeUnder(at)
    if (!place || !surface) return
    const visible = coming === 'hidden' ? now.all : end.all
    const item = itemUnder(visible, place, REACH / surface.view.scale)
    const second = item && secondOf(replay.through, sheet.id, item.id)
    if (second !== undefined) onHear(second)
  }
  return (
    <div
      className="flex min-w-0 flex-1"
      onPointerDownCapture={({ clientX: x, clientY: y }) => {
        pressed.current = { x, y }
      }}
      onPointerUpCapture={(event) => {
        const from = pressed.current
        if (from && Math.hypot(event.clientX - from.x, event.clientY - from.y) < STILL) hear(event)
      }}
    >
      <PageSurface
        page={sheet}
        drawn={drawn}
        strokes={strokes}
        photoUrl={photoUrl}
        writing={undefined}
        label="The page as it was at this moment"
        name="talk"
        onSurface={setSurface}
      >
        {({ scale, x, y }) =>
          written && (
            <svg className="absolute inset-0 h-full w-full" aria-hidden="true" data-testid="being written">
              <path
                transform={`translate(${x} ${y}) scale(${scale})`}
                d={strokeAsPath(written)}
                fill={coming === 'shown' ? 'var(--color-verdigris)' : written.colour}
                opacity={written.nib === 'highlighter' ? 0.45 : 1}
              />
            </svg>
          )
        }
      </PageSurface>
    </div>
  )
}

interface Items {
  readonly all: readonly Item[]
  readonly strokes: readonly Stroke[]
  /** Everything else. The same list as long as nothing of it is other: paper is not drawn anew for every stroke. */
  readonly others: readonly Item[]
}

function useItems(pages: ReadonlyMap<string, Page>, id: string): Items {
  const page = pages.get(id) ?? emptyPage
  const before = useRef<readonly Item[]>([])
  return useMemo(() => {
    const all = inSight(page).map(({ item }) => item)
    const strokes = all.filter((item): item is Stroke => item.kind === 'stroke')
    const others = all.filter(({ kind }) => kind !== 'stroke')
    const same =
      others.length === before.current.length && others.every((item, index) => item === before.current[index])
    if (!same) before.current = others
    return { all, strokes, others: before.current }
  }, [page])
}
