import { useState } from 'react'
import { useStore } from 'zustand'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import type { Outbox } from './outbox.ts'
import { sayWhat } from './outgoing.ts'
import { saveWaiting } from './saveWaiting.ts'
import type { Truth } from './truths.ts'

interface KeptPanelProps {
  outbox: Outbox
  copy: string
  truths: readonly Truth[]
  onClose: () => void
}

/** What the sign means: everything that is true of what was made here, and what can be done about it. */
export function KeptPanel({ outbox, copy, truths, onClose }: KeptPanelProps) {
  const { held } = useStore(outbox.state)
  const here = outbox.waiting().filter((entry) => entry.copy === copy)
  const notTaken = here.filter(({ event }) => outbox.whyHeld(event.id) !== undefined)
  return (
    <Dialog open onClose={onClose} title="Where your work is">
      <ul className="grid gap-3">
        {truths.map(({ words, hint }) => (
          <li key={words} className="rounded-tag border border-rule bg-sheet px-3 py-2">
            <b>{words}</b>
            <p className="text-ink-soft">{hint}</p>
          </li>
        ))}
      </ul>
      {here.length > 0 && (
        <div className="mt-5 flex flex-wrap items-center gap-3">
          <Button large onClick={() => outbox.release()}>
            Try again now
          </Button>
          <Button large onClick={() => void saveWaiting(here)}>
            Save as a file
          </Button>
          {(held.get(copy) ?? 0) > 0 && (
            <DeleteHeld
              what={sayWhat(notTaken.map(({ event }) => event))}
              onDelete={() => outbox.deleteHeld(copy)}
            />
          )}
        </div>
      )}
    </Dialog>
  )
}

/** The one thing here that cannot be undone: it is pressed twice. */
function DeleteHeld({ what, onDelete }: { what: string; onDelete: () => Promise<void> }) {
  const [sure, setSure] = useState(false)
  return sure ? (
    <Button large look="back" onClick={() => void onDelete()}>
      Delete {what} for ever
    </Button>
  ) : (
    <Button large look="quiet" onClick={() => setSure(true)}>
      Delete {what} …
    </Button>
  )
}
