import { type Untouched as Left, untouchedIn, type WorksheetPage } from '@hand-back/core'
import { useState } from 'react'
import type { CopyStore } from '../page/copy/copyStore.ts'
import { finishAll } from '../page/device/finishing.ts'
import { Button } from '../ui/Button.tsx'
import { fetchedPart, useWarm } from '../ui/fetchedPart.tsx'

const Untouched = fetchedPart('Untouched', () => import('./Untouched.tsx'))

interface HandInProps {
  copy: string
  store: CopyStore
  pages: readonly WorksheetPage[]
  busy: boolean
  onHandIn: () => void
  onTurn: (page: string) => void
}

/** Handing in: what nobody touched yet is shown first; it can be handed in all the same. */
export function HandIn({ copy, store, pages, busy, onHandIn, onTurn }: HandInProps) {
  useWarm(Untouched.warm)
  const [left, setLeft] = useState<readonly Left[]>()
  const press = async () => {
    await finishAll(copy)
    const untouched = untouchedIn(pages, store.view.getState().log.pages, copy, store.openPart)
    if (untouched.length === 0) onHandIn()
    else setLeft(untouched)
  }
  return (
    <>
      <Button
        look="main"
        large
        onClick={() => void press()}
        disabled={busy}
        className="shrink-0 whitespace-nowrap"
      >
        {busy ? 'Handing in …' : 'Hand in'}
      </Button>
      {left && (
        <Untouched left={left} onTurn={onTurn} onHandIn={onHandIn} onClose={() => setLeft(undefined)} />
      )}
    </>
  )
}
