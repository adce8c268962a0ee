import {
  type Box,
  boxBetween,
  CALLS,
  cutOut,
  drawnPage,
  moveItem,
  NOBODYS,
  type WorksheetPage,
} from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { type PointerEvent, useCallback, useMemo, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { upload } from '../../../api/ask.ts'
import { measure } from '../../../page/draw/letters.ts'
import { GoToPage } from '../../../page/pages/GoToPage.tsx'
import { PaperThumb } from '../../../page/pages/PaperThumb.tsx'
import { PageSurface } from '../../../page/surface/PageSurface.tsx'
import type { Surface } from '../../../page/surface/Surface.ts'
import { ZoomButtons } from '../../../page/surface/ZoomButtons.tsx'
import { toPage, type View } from '../../../page/view/view.ts'
import { Button } from '../../../ui/Button.tsx'
import { Dialog } from '../../../ui/Dialog.tsx'
import { TileButton } from '../../../ui/TileButton.tsx'
import { asked } from '../../asked.ts'
import { ChooseFiles, FilesProblem } from '../../files/ChooseFiles.tsx'
import { sayAbout, useSending } from '../../files/useSending.ts'
import { usePreparing } from '../context.ts'
import { SMALL_INPUT } from '../panels/rows.tsx'
import { middleOfView } from '../viewNow.ts'

/** Cuts a box out of any page and puts it on the one being prepared: sharp at any size, as it is made of vectors. */
export function PartOfPage({ onClose }: { onClose: () => void }) {
  const { store, worksheet } = usePreparing()
  const { sheet, at } = useStore(store.view)
  const own = sheet.pages
  const shelf = useQuery(asked.worksheets())
  const [from, setFrom] = useState(worksheet.id)
  const other = useQuery({ ...asked.worksheet(from), enabled: from !== worksheet.id && from !== 'file' })
  const [file, setFile] = useState<readonly WorksheetPage[]>([])
  const [index, setIndex] = useState(() =>
    Math.max(
      0,
      own.findIndex(({ id }) => id === at),
    ),
  )
  const [cut, setCut] = useState<Box>()
  const [surface, setSurface] = useState<Surface>()
  const pages = from === 'file' ? file : from === worksheet.id ? own : (other.data?.sheet.pages ?? [])
  const page = pages[Math.min(index, pages.length - 1)]
  const turn = (to: number) => {
    setIndex(Math.min(pages.length - 1, Math.max(0, to)))
    setCut(undefined)
  }
  // A PDF or picture that is not a worksheet: only a part of it is wanted.
  const sending = useSending(async (files, passwords, onProgress) => {
    const brought = await upload(
      CALLS.bringInPages,
      { worksheet: worksheet.id },
      files,
      onProgress,
      passwords,
    )
    sayAbout(brought)
    setFile(brought.pages)
    setFrom('file')
    turn(0)
  })
  const put = () => {
    if (!page || !cut) return
    const middle = middleOfView()
    const pieces = cutOut(page, cut, () => crypto.randomUUID()).map((item) => {
      const { sets: _others, ...rest } = item
      return moveItem(rest as typeof item, middle.x - cut.width / 2, middle.y - cut.height / 2)
    })
    store.put(pieces)
    onClose()
  }
  return (
    <Dialog open onClose={onClose} title="Part of a page" wide>
      <div className="mb-3 flex flex-wrap items-center gap-2">
        <select
          aria-label="From"
          className={`${SMALL_INPUT} !w-64`}
          value={from}
          onChange={(event) => {
            setFrom(event.target.value)
            turn(0)
          }}
        >
          <option value={worksheet.id}>this worksheet</option>
          {file.length > 0 && <option value="file">the file just brought in</option>}
          {(shelf.data ?? [])
            .filter(({ id }) => id !== worksheet.id)
            .map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
              </option>
            ))}
        </select>
        <ChooseFiles sending={sending} words="Another PDF …" label="A PDF to cut from" />
      </div>
      <FilesProblem sending={sending} />
      <div className="relative flex h-[54vh] border border-rule">
        {pages.length > 1 && <PagesBeside pages={pages} current={index} onTurn={turn} />}
        {page && <CutPage key={page.id} page={page} cut={cut} onCut={setCut} onSurface={setSurface} />}
      </div>
      <div className="mt-4 flex items-center justify-between gap-4">
        <p className="flex-1 text-ink-soft">Draw a box around the part that you want.</p>
        <ZoomButtons surface={surface} always />
        <Button look="main" disabled={!cut} onClick={put}>
          Add it to the page
        </Button>
      </div>
    </Dialog>
  )
}

/** The pages one can cut from, small, at the side; one of many is gone to by its number. */
function PagesBeside({
  pages,
  current,
  onTurn,
}: {
  pages: readonly WorksheetPage[]
  current: number
  onTurn: (index: number) => void
}) {
  const here = useCallback((tile: HTMLElement | null) => tile?.scrollIntoView({ block: 'nearest' }), [])
  return (
    <div className="flex w-[108px] shrink-0 flex-col gap-2 overflow-y-auto border-r border-rule bg-blotter p-2">
      <GoToPage count={pages.length} current={current} onTurn={onTurn} />
      <ol className="grid gap-2" aria-label="Pages to cut from">
        {pages.map((page, index) => (
          <li key={page.id}>
            <TileButton
              ref={index === current ? here : undefined}
              chosen={index === current}
              aria-label={`Page ${index + 1}`}
              onClick={() => onTurn(index)}
              className="w-full p-1"
            >
              <PaperThumb page={page} width={72} label="" />
              <span className="tabular text-sm">{index + 1}</span>
            </TileButton>
          </li>
        ))}
      </ol>
    </div>
  )
}

/** A smaller box was a slip, in points. */
const LEAST = 8

function CutPage({
  page,
  cut,
  onCut,
  onSurface,
}: {
  page: WorksheetPage
  cut: Box | undefined
  onCut: (box: Box | undefined) => void
  onSurface: (surface: Surface | undefined) => void
}) {
  const drawn = useMemo(() => drawnPage(page, [], NOBODYS, measure), [page])
  const from = useRef<{ x: number; y: number }>(undefined)
  const at = (event: PointerEvent<HTMLElement>, view: View) => {
    const box = event.currentTarget.getBoundingClientRect()
    const place = toPage(view, { x: event.clientX - box.left, y: event.clientY - box.top })
    return { x: Math.min(page.width, Math.max(0, place.x)), y: Math.min(page.height, Math.max(0, place.y)) }
  }
  return (
    <PageSurface
      page={page}
      drawn={drawn}
      strokes={NO_STROKES}
      writing={undefined}
      label="The page to cut from"
      onSurface={onSurface}
    >
      {(view) => (
        <div
          data-takes="one"
          data-testid="cutting"
          className="pointer-events-auto absolute inset-0 cursor-crosshair touch-none"
          onPointerDown={(event) => {
            event.currentTarget.setPointerCapture(event.pointerId)
            from.current = at(event, view)
          }}
          onPointerMove={(event) => from.current && onCut(boxBetween(from.current, at(event, view)))}
          onPointerUp={() => {
            from.current = undefined
            if (cut && Math.min(cut.width, cut.height) < LEAST) onCut(undefined)
          }}
          onLostPointerCapture={() => {
            from.current = undefined
          }}
        >
          {cut && (
            <div
              className="absolute border-2 border-verdigris bg-verdigris/10"
              style={{
                left: view.x + cut.x * view.scale,
                top: view.y + cut.y * view.scale,
                width: cut.width * view.scale,
                height: cut.height * view.scale,
              }}
            />
          )}
        </div>
      )}
    </PageSurface>
  )
}

const NO_STROKES: readonly never[] = []
