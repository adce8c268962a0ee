import type { Ruling, WorksheetPage } from '@hand-back/core'
import { type ReactNode, useState } from 'react'
import { RulingGrid } from '../../../page/pages/RulingGrid.tsx'
import { RULINGS } from '../../../page/pages/rulings.ts'
import { Button } from '../../../ui/Button.tsx'
import { RulingRows } from './RulingRows.tsx'
import { usePageSize } from './sizes.tsx'

interface PaperChoiceProps {
  /** What becomes of the page, on the button. */
  send: string
  busy?: boolean
  onPage: (page: WorksheetPage) => void
  /** What is asked beside. */
  children?: ReactNode
}

/** A new page on a paper: which ruling, how large, how wide its lines. */
export function PaperChoice({ send, busy = false, onPage, children }: PaperChoiceProps) {
  const [chosen, setChosen] = useState(0)
  const [ruling, setRuling] = useState<Ruling>(RULINGS[0]![1])
  const { size, rows } = usePageSize()
  return (
    <form
      className="grid grid-cols-[1fr_230px] gap-6 max-handheld:grid-cols-1"
      onSubmit={(event) => {
        event.preventDefault()
        onPage({ id: crypto.randomUUID(), ...size, paper: { kind: 'ruled', ruling }, printed: [] })
      }}
    >
      <RulingGrid
        chosen={RULINGS[chosen]![0]}
        onChoose={(index) => {
          setChosen(index)
          setRuling(RULINGS[index]![1])
        }}
      />
      <div className="flex flex-col gap-3">
        {children}
        {rows}
        <RulingRows key={chosen} ruling={ruling} onChange={setRuling} />
        <Button look="main" type="submit" large disabled={busy}>
          {send}
        </Button>
      </div>
    </form>
  )
}
