import { Inbox, Loader, TriangleAlert, WifiOff } from 'lucide-react'
import { useEffect, useState } from 'react'
import { useStore } from 'zustand'
import type { Outbox } from './device/outbox.ts'

/** Things on their way this short a time are not worth a word, in milliseconds. */
const PATIENCE = 600
/** Nor is a connection that is only just being made. */
const CONNECTS_WITHIN = 1200

/** The true state of what was made on a copy, in words and shape. */
export function KeptSign({ outbox, copy }: { outbox: Outbox; copy: string }) {
  const { reached, deviceKeeps, nearlyFull, going, held } = useStore(outbox.state)
  const waiting = going.get(copy) ?? 0
  const slow = useLasting(waiting > 0, PATIENCE)
  const lost = useLasting(!reached, CONNECTS_WITHIN)
  const notTaken = held.get(copy) ?? 0

  if (!deviceKeeps && waiting > 0 && !reached) {
    return (
      <Sign
        icon={TriangleAlert}
        tone="text-madder"
        state="unsafe"
        words="This device is full: keep this page open"
      />
    )
  }
  if (!deviceKeeps)
    return (
      <Sign
        icon={TriangleAlert}
        tone="text-madder"
        state="full"
        words="This device is full: stay connected"
        hint="What you make goes straight to school. Without a connection it would be lost when this page closes."
      />
    )
  if (nearlyFull)
    return (
      <Sign
        icon={TriangleAlert}
        tone="text-ochre"
        state={waiting > 0 ? 'going' : 'kept'}
        words={lost ? 'Kept here; this device is nearly full' : 'Kept; this device is nearly full'}
        hint="Nothing is lost. Make room on this device before you work without a connection."
      />
    )
  if (lost)
    return <Sign icon={WifiOff} tone="text-ochre" state="here" words="Can’t reach school: kept here" />
  if (notTaken > 0)
    return (
      <Sign
        icon={Inbox}
        tone="text-ochre"
        state="held"
        words="Some ink is kept here only"
        hint="It was written after the copy was handed in. It goes along when the copy comes back to you."
      />
    )
  if (slow) return <Sign icon={Loader} tone="text-ink-soft" state="going" words="Kept here …" />
  return <Sign icon={Inbox} tone="text-ink-soft" state={waiting > 0 ? 'going' : 'kept'} words="Kept" />
}

function Sign({
  icon: Icon,
  tone,
  state,
  words,
  hint,
}: {
  icon: typeof Inbox
  tone: string
  state: string
  words: string
  hint?: string
}) {
  return (
    <span role="status" data-kept={state} title={hint} className={`inline-flex items-center gap-2 ${tone}`}>
      <Icon size={19} aria-hidden="true" className="shrink-0" />
      <span className="max-[430px]:text-sm">{words}</span>
    </span>
  )
}

function useLasting(on: boolean, milliseconds: number): boolean {
  const [lasting, setLasting] = useState(false)
  useEffect(() => {
    if (!on) return setLasting(false)
    const timer = setTimeout(() => setLasting(true), milliseconds)
    return () => clearTimeout(timer)
  }, [on, milliseconds])
  return lasting
}
