import type { Box, Front, ShownCopy, WorksheetPage } from '@hand-back/core'
import type { ReactNode } from 'react'
import { PointedAt, usePointedAt } from '../../lesson/PointedAt.tsx'
import type { View } from '../../page/view/view.ts'
import { pageAt } from '../room/atWork.ts'
import type { RoomCopy } from '../room/roomCopies.ts'
import { CopyPage, EmptyPage } from './FrontPage.tsx'

/** A sheet at the front as it stands on the screen. */
export interface FrontSheet {
  /** The copy that is shown; left out: the page as it was handed out. */
  readonly copy?: string
  readonly page: WorksheetPage
  readonly part: Box
  /** Whose it is, where that is said. */
  readonly name: string | undefined
}

interface FrontSheetsProps {
  handout: string
  front: Front
  /** The pages as they were handed out. */
  pages: readonly WorksheetPage[]
  copies: ReadonlyMap<string, RoomCopy>
  room: { readonly width: number; readonly height: number }
  /** What lies over a sheet and takes presses. */
  over?: (sheet: FrontSheet, view: View) => ReactNode
}

/** Between two sheets, and for a name, in CSS pixels. */
const GAP = 24
const NAME = 44

/** What is shown at the front, as large as it fits. */
export function FrontSheets({ handout, front, pages, copies, room, over }: FrontSheetsProps) {
  const spots = usePointedAt(handout)
  if (front.what === 'page') {
    const page = pages.find(({ id }) => id === front.page)
    if (!page) return null
    const sheet = { page, part: whole(page), name: undefined }
    const scale = fitted(sheet.part, room)
    return (
      <Sheet sheet={sheet} scale={scale} over={over}>
        <EmptyPage {...{ page, scale }} part={sheet.part} label={`Page ${pages.indexOf(page) + 1}`} />
        <PointedAt spots={spots} page={page.id} view={{ scale, x: 0, y: 0 }} />
      </Sheet>
    )
  }
  if (front.what === 'answers') return <AnswerSheets {...{ handout, front, copies, room, over }} />
  const each = {
    width: (room.width - GAP * (front.copies.length - 1)) / front.copies.length,
    height: room.height,
  }
  return (
    <div className="flex items-start justify-center" style={{ gap: GAP }}>
      {front.copies.map((shown) => (
        <CopySheet key={shown.copy} {...{ handout, shown, room: each, over }} copy={copies.get(shown.copy)} />
      ))}
    </div>
  )
}

interface AnswerSheetsProps extends Pick<FrontSheetsProps, 'handout' | 'copies' | 'room'> {
  front: Extract<Front, { what: 'answers' }>
  over: FrontSheetsProps['over'] | undefined
}

/** Answers stand in one column as long as they are few. */
const IN_COLUMNS = [3, 8]

/** Answers to one question, all equally large, without names. */
function AnswerSheets({ handout, front: { shown }, copies, room, over }: AnswerSheetsProps) {
  const columns = 1 + IN_COLUMNS.filter((most) => shown.length > most).length
  const rows = Math.ceil(shown.length / columns)
  const each = {
    width: (room.width - GAP * (columns - 1)) / columns,
    height: (room.height - GAP * (rows - 1)) / rows,
  }
  const scale = Math.min(...shown.map(({ part }) => fitted(part, each)))
  return (
    <div
      className="grid place-items-center"
      style={{ gap: GAP, gridTemplateColumns: `repeat(${columns}, auto)` }}
    >
      {shown.map(({ part, ...of }) => (
        <CopySheet
          key={`${of.copy} ${of.page} ${part.y}`}
          handout={handout}
          shown={{ ...of, part, named: false }}
          copy={copies.get(of.copy)}
          room={{ width: part.width * scale, height: part.height * scale }}
          over={over}
        />
      ))}
    </div>
  )
}

interface CopySheetProps extends Pick<FrontSheetsProps, 'handout' | 'room'> {
  over: FrontSheetsProps['over'] | undefined
  shown: ShownCopy
  copy: RoomCopy | undefined
}

function CopySheet({ handout, shown, copy, room, over }: CopySheetProps) {
  const spots = usePointedAt(handout, shown.copy)
  if (!copy) return null
  const { page } = pageAt(copy, shown.page)
  const part = shown.part ?? whole(page)
  const name = shown.named ? copy.whole.name : undefined
  const scale = fitted(part, { width: room.width, height: room.height - (name ? NAME : 0) })
  const view = { scale, x: -part.x * scale, y: -part.y * scale }
  return (
    <div>
      <Sheet sheet={{ copy: shown.copy, page, part, name }} scale={scale} over={over}>
        <CopyPage {...{ copy, page, part, scale }} label={name ?? 'A copy'} />
        <PointedAt spots={spots} page={page.id} view={view} />
      </Sheet>
      {name && <p className="pt-2 text-center font-serif text-2xl">{name}</p>}
    </div>
  )
}

interface SheetProps {
  sheet: FrontSheet
  scale: number
  over: FrontSheetsProps['over'] | undefined
  children: ReactNode
}

function Sheet({ sheet, scale, over, children }: SheetProps) {
  const { part } = sheet
  return (
    <div
      data-testid="front-sheet"
      className="relative flex overflow-hidden bg-sheet shadow-[0_2px_14px_rgb(30_43_58/0.2)]"
      style={{ width: part.width * scale, height: part.height * scale }}
    >
      {children}
      {over?.(sheet, { scale, x: -part.x * scale, y: -part.y * scale })}
    </div>
  )
}

const whole = ({ width, height }: WorksheetPage): Box => ({ x: 0, y: 0, width, height })

const fitted = (part: Box, room: { readonly width: number; readonly height: number }): number =>
  Math.max(0.05, Math.min(room.width / part.width, room.height / part.height))
