import { type PrintedItem, saysNothing } from '@hand-back/core'
import { type KeyboardEvent, useEffect, useRef } from 'react'
import { useStore } from 'zustand'
import { usePreparing } from '../context.ts'
import { itemName, teacherKindOf } from '../kinds/index.ts'
import type { SetOf } from '../kinds/teacherKind.ts'
import { pickedOf, type SheetStore } from '../sheetStore.ts'
import { focusPage } from '../viewNow.ts'
import { ManyPanel } from './ManyPanel.tsx'
import { PagePanel } from './PagePanel.tsx'
import { PlaceRows } from './PlaceRows.tsx'
import { QuestionPanel } from './QuestionPanel.tsx'
import { RepeatRows } from './RepeatRows.tsx'
import { PanelTitle } from './rows.tsx'

/** What can be said of what is picked: one thing, several, a question, or the page. */
export function SidePanel() {
  const { store } = usePreparing()
  const preparing = useStore(store.view)
  const picked = pickedOf(preparing)
  const [one] = picked
  /** What stood in a field when it was entered. */
  const entered = useRef<string>(undefined)
  const keys = (event: KeyboardEvent<HTMLElement>) => {
    const { target } = event
    const untouched = target instanceof HTMLInputElement && target.value === entered.current
    const undoes = (event.ctrlKey || event.metaKey) && event.key === 'z' && !event.shiftKey && untouched
    if (event.key !== 'Escape' && !undoes) return
    // Where nothing was typed yet, undo means what was done before: the thing just put down.
    if (undoes) store.undo()
    focusPage()
    event.preventDefault()
    event.stopPropagation()
  }
  return (
    <aside
      data-panel
      onFocus={({ target }) => {
        entered.current = target instanceof HTMLInputElement ? target.value : undefined
      }}
      onKeyDown={keys}
      aria-label="What is picked"
      className="w-[276px] shrink-0 overflow-y-auto border-l border-rule bg-card px-4 py-4 max-tablet:w-[220px] max-tablet:px-3"
    >
      {preparing.area ? (
        <QuestionPanel area={preparing.area} />
      ) : picked.length > 1 ? (
        <ManyPanel picked={picked} />
      ) : one ? (
        <ItemPanel key={one.id} item={one} store={store} />
      ) : (
        <PagePanel />
      )}
    </aside>
  )
}

function ItemPanel({ item, store }: { item: PrintedItem; store: SheetStore }) {
  const panel = useRef<HTMLDivElement>(null)
  const empty = saysNothing(item) || (item.kind === 'typed' && item.label === '')
  // A thing that was just put down and says nothing yet is ready to be written in.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only when it is put down
  useEffect(() => {
    if (empty) panel.current?.querySelector<HTMLElement>('[data-first]')?.focus()
  }, [])
  const ids = new Set([item.id])
  const set = (changed: Partial<PrintedItem>, field?: string) =>
    store.changeItems(
      ids,
      (before) => ({ ...before, ...changed }) as PrintedItem,
      field && `${item.id} ${field}`,
    )
  return (
    <div ref={panel} className="flex flex-col gap-3">
      <PanelTitle>{itemName(item)}</PanelTitle>
      <Fields item={item} set={set} />
      <RepeatRows items={[item]} />
      <PlaceRows items={[item]} />
    </div>
  )
}

function Fields({ item, set }: { item: PrintedItem; set: SetOf<PrintedItem> }) {
  const { Panel } = teacherKindOf(item)
  return <Panel item={item} set={set} />
}
