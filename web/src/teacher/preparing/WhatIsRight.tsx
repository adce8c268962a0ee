import { sayKey, type WorksheetPage } from '@hand-back/core'
import { useStore } from 'zustand'
import { toScreen, type View } from '../../page/view/view.ts'
import type { SheetStore } from './sheetStore.ts'

/** What is right at each place of the page, lying over it: only the teacher sees it. */
export function WhatIsRight({ store, page, view }: { store: SheetStore; page: WorksheetPage; view: View }) {
  const keys = useStore(store.view, ({ sheet }) => sheet.keys)
  return page.printed.map((place) => {
    const key = keys[place.id]
    const words = key && sayKey(key, place, page.printed)
    if (!words) return null
    const at = toScreen(view, { x: place.x + place.width, y: place.y + place.height })
    return (
      <p
        key={place.id}
        data-right={words}
        className="pointer-events-none absolute max-w-[260px] -translate-x-full -translate-y-1/2 truncate rounded-tag border border-madder bg-madder-soft px-1.5 leading-snug text-madder"
        style={{ left: at.x, top: at.y }}
      >
        <span className="sr-only">Right: </span>
        {words}
      </p>
    )
  })
}
