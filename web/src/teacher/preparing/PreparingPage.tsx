import {
  around,
  type InkPoint,
  inkItem,
  type Person,
  packPoints,
  type Stroke,
  seenBox,
  toBase64,
} from '@hand-back/core'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import { useShallow } from 'zustand/react/shallow'
import { useLetters } from '../../page/answers/useDrawn.ts'
import { KeysDialog } from '../../page/keys/KeysDialog.tsx'
import { useKeys } from '../../page/keys/useKeys.ts'
import { useKeyedInSight } from '../../page/picking/useKeyedInSight.ts'
import { STUDENT_SWATCHES } from '../../page/strip/swatches.ts'
import { PageSurface } from '../../page/surface/PageSurface.tsx'
import type { Surface } from '../../page/surface/Surface.ts'
import { useTools } from '../../page/tools/useTools.ts'
import type { Writing } from '../../page/tools/writing.ts'
import { SwatchStrip } from '../../page/work/SwatchStrip.tsx'
import { Button } from '../../ui/Button.tsx'
import { usePreparing } from './context.ts'
import { drawnOf } from './drawnOf.ts'
import { HoldLayer } from './Hold.tsx'
import { kindName } from './kinds/index.ts'
import { preparingKeys } from './preparingKeys.ts'
import { pageAt, pickedOf, type SheetStore } from './sheetStore.ts'
import { usePreparingClipboard } from './usePreparingClipboard.ts'
import { nowShown } from './viewNow.ts'
import { WhatIsRight } from './WhatIsRight.tsx'

const NONE: ReadonlySet<string> = new Set()
const NO_STROKES: readonly Stroke[] = []

interface PreparingPageProps {
  person: Person
  /** The list of keys is open. */
  keysShown: boolean
  onKeys: (shown: boolean) => void
  /** What is right is seen on it. */
  rightShown: boolean
  surface: Surface | undefined
  onSurface: (surface: Surface | undefined) => void
}

/** The page being prepared, with what lies over it to pick, move and put down things. */
export function PreparingPage({
  person,
  keysShown,
  onKeys,
  rightShown,
  surface,
  onSurface,
}: PreparingPageProps) {
  const { store, worksheet } = usePreparing()
  const page = useStore(store.view, pageAt)
  const number = useStore(store.view, ({ sheet }) => sheet.pages.indexOf(page) + 1)
  const placing = useStore(store.view, (preparing) => preparing.placing)
  const [lifted, setLifted] = useState(NONE)
  const letters = useLetters()
  const picked = useStore(store.view, useShallow(pickedOf))
  useEffect(() => nowShown(surface), [surface])
  useKeyedInSight(surface, picked.length > 0 ? around(picked.map(seenBox)) : undefined)
  usePreparingClipboard()
  const keys = useMemo(() => preparingKeys(store, surface, () => onKeys(true)), [store, surface, onKeys])
  useKeys(person, keys)

  // biome-ignore lint/correctness/useExhaustiveDependencies: laid out again when the letters are there
  const drawn = useMemo(
    () => page.printed.flatMap((item) => (lifted.has(item.id) ? [] : drawnOf(item))),
    [page, lifted, letters],
  )
  const tools = useTools(person, STUDENT_SWATCHES)
  const writing = useOwnInk(store, placing === 'ink', tools.swatch)
  const label = `Page ${number} of ${worksheet.title}, in preparation`
  const lift = useCallback((ids: ReadonlySet<string>) => setLifted(ids), [])
  return (
    <main className="relative flex min-w-0 flex-1 flex-col">
      {/* A press beside the page lets go; keys have Escape for it. */}
      <div
        className="relative flex min-h-0 flex-1"
        onPointerDown={({ target }) => {
          const beside = target instanceof Element && target.closest('[data-takes], button') === null
          if (beside && !placing) store.pick([])
        }}
      >
        <PageSurface
          page={page}
          drawn={drawn}
          strokes={NO_STROKES}
          writing={writing}
          label={label}
          onSurface={onSurface}
        >
          {(view) => (
            <>
              {placing !== 'ink' && <HoldLayer store={store} page={page} view={view} onLift={lift} />}
              {rightShown && <WhatIsRight store={store} page={page} view={view} />}
            </>
          )}
        </PageSurface>
      </div>
      {keysShown && <KeysDialog person={person} groups={keys} onClose={() => onKeys(false)} />}
      {placing === 'ink' && (
        <div className="flex shrink-0 items-center justify-center gap-3 border-t border-rule bg-card px-3 py-2">
          <SwatchStrip tools={tools} />
          <Button onClick={() => store.place(undefined)}>Done writing</Button>
        </div>
      )}
      {placing && placing !== 'ink' && (
        <p
          role="status"
          className="pointer-events-none absolute bottom-3 left-1/2 -translate-x-1/2 rounded-tag border border-rule bg-card px-4 py-1.5 whitespace-nowrap"
        >
          {kindName(placing)}: press on the page, or draw how large it is. Esc to stop.
        </p>
      )}
    </main>
  )
}

/** The teacher's own strokes, each a printed thing that can be picked and moved. */
function useOwnInk(
  store: SheetStore,
  writes: boolean,
  swatch: Pick<Stroke, 'nib' | 'colour' | 'width'>,
): Writing | undefined {
  return useMemo(() => {
    if (!writes) return undefined
    return {
      tool: 'pen',
      swatch,
      keep(points: readonly InkPoint[]) {
        const stroke: Stroke = {
          id: crypto.randomUUID(),
          kind: 'stroke',
          ...swatch,
          points: toBase64(packPoints(points)),
        }
        store.put([inkItem(crypto.randomUUID(), stroke)])
        store.place('ink')
      },
      rubOut: () => {},
      mayTake: () => false,
    }
  }, [store, writes, swatch])
}
