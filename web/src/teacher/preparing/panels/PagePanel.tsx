import { inMm, turnPage } from '@hand-back/core'
import { RotateCw } from 'lucide-react'
import { useState } from 'react'
import { useStore } from 'zustand'
import { RULINGS, rulingCalled, rulingName } from '../../../page/pages/rulings.ts'
import { Button } from '../../../ui/Button.tsx'
import { usePreparing } from '../context.ts'
import { PageSize } from '../pages/PageSize.tsx'
import { RulingRows } from '../pages/RulingRows.tsx'
import { pageAt } from '../sheetStore.ts'
import { ChoiceRow, PanelTitle } from './rows.tsx'
import { SetRow } from './SetRow.tsx'

/** The page itself: its size, its paper, whom it is for. */
export function PagePanel() {
  const { store } = usePreparing()
  const page = useStore(store.view, pageAt)
  const number = useStore(store.view, ({ sheet }) => sheet.pages.indexOf(page) + 1)
  const [sizing, setSizing] = useState(false)
  const { paper } = page
  return (
    <div className="flex flex-col gap-3">
      <PanelTitle>Page {number}</PanelTitle>
      <div className="grid grid-cols-[84px_1fr] items-center gap-2">
        <span>Size</span>
        <Button onClick={() => setSizing(true)} className="tabular !justify-start">
          {Math.round(inMm(page.width))} × {Math.round(inMm(page.height))} mm
        </Button>
      </div>
      <Button onClick={() => store.changePage(turnPage)}>
        <RotateCw size={16} aria-hidden="true" /> Rotate the page
      </Button>
      <SetRow
        sets={page.sets}
        onChange={(sets) => store.changePage(({ sets: _was, ...rest }) => (sets ? { ...rest, sets } : rest))}
      />
      {paper.kind === 'ruled' && (
        <ChoiceRow
          label="Paper"
          value={rulingName(paper.ruling)}
          options={RULINGS.map(([name]) => [name, name] as const)}
          onChange={(name) =>
            store.changePage((before) => ({
              ...before,
              paper: { kind: 'ruled', ruling: rulingCalled(name) },
            }))
          }
        />
      )}
      {paper.kind === 'ruled' && (
        <RulingRows
          key={paper.ruling.form}
          ruling={paper.ruling}
          onChange={(ruling) =>
            store.changePage((before) => ({ ...before, paper: { kind: 'ruled', ruling } }), 'ruling')
          }
        />
      )}
      {page.printed.length === 0 && (
        <p className="rounded-tag bg-blotter px-3 py-2 text-ink-soft">
          Choose something at the left, then press on the page. The paper itself is fixed: students write over
          it and cannot move it.
        </p>
      )}
      {sizing && <PageSize page={page} onClose={() => setSizing(false)} />}
    </div>
  )
}
