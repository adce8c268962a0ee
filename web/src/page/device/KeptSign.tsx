import { Inbox, Loader, type LucideIcon, TriangleAlert, WifiOff } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import { fetchedPart, useWarm } from '../../ui/fetchedPart.tsx'
import type { Outbox } from './outbox.ts'
import { ALL, asOneCopy, type Truth, truthsOf } from './truths.ts'

const KeptPanel = fetchedPart('KeptPanel', () => import('./KeptPanel.tsx'))

/** Things on their way this short a time are not worth a word, in milliseconds. */
const PATIENCE = 600
/** Nor is a connection that is only just being made. */
const CONNECTS_WITHIN = 1200

const LOOKS: Record<Truth['state'], readonly [LucideIcon, string]> = {
  unsafe: [TriangleAlert, 'text-madder'],
  full: [TriangleAlert, 'text-madder'],
  held: [Inbox, 'text-ochre'],
  here: [WifiOff, 'text-ochre'],
  going: [Loader, 'text-ink-soft'],
  kept: [Inbox, 'text-ink-soft'],
}

/**
 * The true state of what was made on a copy, or, where none is named, on all of them: in words and shape, the worst of all
 * that is true. A press tells the rest.
 */
export function KeptSign({ outbox, copy: named }: { outbox: Outbox; copy?: string }) {
  const all = useStore(outbox.state)
  const state = useMemo(() => (named === undefined ? asOneCopy(all) : all), [all, named])
  const copy = named ?? ALL
  const waiting = (state.going.get(copy) ?? 0) > 0
  // What was made before this page was opened is said at once.
  const [before] = useState(waiting)
  const slow = useLasting(waiting, PATIENCE, before)
  const lost = useLasting(!state.reached, CONNECTS_WITHIN, waiting || !navigator.onLine)
  const [open, setOpen] = useState(false)
  // It is opened most where the network has gone.
  useWarm(KeptPanel.warm)
  const truths = truthsOf(state, copy, lost, slow)
  const worst = truths[0]!
  const [Icon, tone] = LOOKS[worst.state]
  return (
    <>
      <button
        type="button"
        data-kept={worst.state}
        onClick={() => setOpen(true)}
        className={`inline-flex min-h-[44px] items-center gap-2 rounded-tag px-1.5 text-left leading-tight hover:bg-blotter ${tone}`}
      >
        <Icon size={19} aria-hidden="true" className="shrink-0" />
        <span role="status" className="max-narrow:text-sm">
          {worst.words}
        </span>
      </button>
      {open && <KeptPanel outbox={outbox} copy={copy} truths={truths} onClose={() => setOpen(false)} />}
    </>
  )
}

/** Whether something has been so for a while; at the beginning it may count as such at once. */
function useLasting(on: boolean, milliseconds: number, atOnce = false): boolean {
  const [lasting, setLasting] = useState(on && atOnce)
  useEffect(() => {
    if (!on) return setLasting(false)
    const timer = setTimeout(() => setLasting(true), milliseconds)
    return () => clearTimeout(timer)
  }, [on, milliseconds])
  return lasting
}
