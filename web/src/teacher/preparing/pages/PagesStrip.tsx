import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core'
import { horizontalListSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable'
import { duplicatePages, movePages, turnPage, type WorksheetPage } from '@hand-back/core'
import { Copy, Plus, RotateCw, Trash2 } from 'lucide-react'
import { type KeyboardEvent, type MouseEvent, type ReactNode, useEffect, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { GoToPage } from '../../../page/pages/GoToPage.tsx'
import { PaperThumb } from '../../../page/pages/PaperThumb.tsx'
import { Button } from '../../../ui/Button.tsx'
import { IconButton } from '../../../ui/IconButton.tsx'
import { sayDone } from '../../../ui/notices.ts'
import { usePreparing } from '../context.ts'
import { AddPage } from './AddPage.tsx'

/** The pages in order: turned to by a press, moved by dragging or by Alt and the arrows, several at once. */
export function PagesStrip({ children }: { children: ReactNode }) {
  const { store } = usePreparing()
  const { sheet, at } = useStore(store.view)
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const [adding, setAdding] = useState(false)
  const here = sheet.pages.findIndex(({ id }) => id === at)
  const picked = chosen.has(at) && chosen.size > 1 ? chosen : new Set([at])
  // A press turns to a page; only a drag of some pixels moves it.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))

  const press = (page: string, event: MouseEvent) => {
    if (event.shiftKey) setChosen(between(sheet.pages, at, page))
    else if (event.ctrlKey || event.metaKey) setChosen(toggled(picked, page))
    else setChosen(new Set())
    store.turnTo(page)
  }
  const move = (moved: ReadonlySet<string>, before: string | undefined) =>
    store.change((was) => ({ ...was, pages: movePages(was.pages, moved, before) }))
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return
    const order = sheet.pages.map(({ id }) => id)
    const from = order.indexOf(String(active.id))
    const to = order.indexOf(String(over.id))
    const moved = picked.has(String(active.id)) ? picked : new Set([String(active.id)])
    move(moved, order[to > from ? to + 1 : to])
  }
  const keys = (event: KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
    const index = sheet.pages.findIndex(({ id }) => id === at)
    if (by !== 0 && event.altKey) {
      const places = sheet.pages.flatMap(({ id }, place) => (picked.has(id) ? [place] : []))
      const before = by > 0 ? Math.max(...places) + 2 : Math.min(...places) - 1
      if (before >= 0) move(picked, sheet.pages[before]?.id)
    } else if (by !== 0) {
      const next = sheet.pages[index + by]
      if (next) {
        setChosen(event.shiftKey ? new Set([...picked, next.id]) : new Set())
        store.turnTo(next.id)
      }
    } else if (event.key === 'Delete') takeAway()
    else return
    event.preventDefault()
    event.stopPropagation()
  }
  const takeAway = () => {
    if (picked.size >= sheet.pages.length) return sayDone('A worksheet keeps at least one page.')
    store.change((was) => ({ ...was, pages: was.pages.filter(({ id }) => !picked.has(id)) }))
    setChosen(new Set())
  }
  const again = () => {
    const { made, sheet: next } = duplicatePages(sheet, picked, () => crypto.randomUUID())
    store.change(() => next)
    if (made[0]) store.turnTo(made[0])
    setChosen(new Set(made))
  }
  const turn = () =>
    store.change((was) => ({
      ...was,
      pages: was.pages.map((page) => (picked.has(page.id) ? turnPage(page) : page)),
    }))

  const those = picked.size > 1 ? 'pages' : 'page'
  return (
    <div className="flex h-[132px] pointer-coarse:h-[156px] shrink-0 items-center gap-3 border-t border-rule bg-blotter-deep px-4 py-2">
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
        <SortableContext items={sheet.pages.map(({ id }) => id)} strategy={horizontalListSortingStrategy}>
          <ol
            className="flex min-w-0 flex-1 items-center gap-2 overflow-x-auto px-1 py-1"
            onKeyDown={keys}
            aria-label="Pages"
          >
            {sheet.pages.map((page, index) => (
              <StripPage
                key={page.id}
                page={page}
                number={index + 1}
                sets={sheet.sets.filter(({ id }) => page.sets?.includes(id)).map(({ name }) => name)}
                here={page.id === at}
                picked={picked.has(page.id)}
                onPress={(event) => press(page.id, event)}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      {children}
      {sheet.pages.length > MANY && (
        <GoToPage
          count={sheet.pages.length}
          current={here}
          onTurn={(index) => store.turnTo(sheet.pages[index]!.id)}
        />
      )}
      <Button onClick={() => setAdding(true)} className="w-[104px] shrink-0 flex-col !gap-0.5 !px-1">
        <Plus size={18} aria-hidden="true" /> Add a page
        <span className="tabular text-sm font-normal text-ink-soft">after page {here + 1}</span>
      </Button>
      <div
        role="toolbar"
        aria-label={picked.size > 1 ? `${picked.size} pages` : 'This page'}
        className="grid content-center gap-1"
      >
        <IconButton framed size={17} icon={Copy} label={`Duplicate the ${those}`} onClick={again} />
        <IconButton framed size={17} icon={RotateCw} label={`Rotate the ${those}`} onClick={turn} />
        <IconButton
          framed
          size={17}
          icon={Trash2}
          label={`Remove the ${those}`}
          onClick={takeAway}
          disabled={sheet.pages.length === 1}
        />
      </div>
      {adding && <AddPage onClose={() => setAdding(false)} />}
    </div>
  )
}

/** Beyond so many pages one goes to one by its number. */
const MANY = 12

/** The height of a page in the strip, in CSS pixels. */
const HEIGHT = 82
const MOST_WIDTH = 120

function StripPage({
  page,
  number,
  sets,
  here,
  picked,
  onPress,
}: {
  page: WorksheetPage
  number: number
  sets: readonly string[]
  here: boolean
  picked: boolean
  onPress: (event: MouseEvent) => void
}) {
  const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: page.id })
  const button = useRef<HTMLButtonElement>(null)
  useEffect(() => {
    if (here) void button.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  }, [here])
  const width = Math.min(MOST_WIDTH, (HEIGHT * page.width) / page.height)
  return (
    <li
      ref={setNodeRef}
      className={`shrink-0 text-center ${isDragging ? 'z-10 opacity-80' : ''}`}
      style={{
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
        transition,
      }}
      {...listeners}
    >
      <button
        ref={button}
        type="button"
        aria-label={`Page ${number}${sets.length > 0 ? `, for ${sets.join(', ')}` : ''}`}
        aria-current={here ? 'page' : undefined}
        aria-pressed={picked}
        onClick={onPress}
        className={`block touch-pan-x p-[3px] ${here ? 'outline-3 outline-ink' : picked ? 'outline-2 outline-ink-soft' : ''}`}
      >
        <PaperThumb page={page} width={width} label="" />
      </button>
      <span className="tabular text-sm text-ink-soft">
        {number}
        {sets.length > 0 && ` · ${sets.join(', ')}`}
      </span>
    </li>
  )
}

function toggled(ids: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(ids)
  if (!next.delete(id)) next.add(id)
  return next
}

function between(pages: readonly WorksheetPage[], a: string, b: string): ReadonlySet<string> {
  const places = [a, b].map((id) => pages.findIndex((page) => page.id === id)).sort((x, y) => x - y)
  return new Set(pages.slice(places[0], places[1]! + 1).map(({ id }) => id))
}
