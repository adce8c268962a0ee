import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'

interface HandBackEarlyProps {
  /** Whose copy it is. */
  first: string
  busy: boolean
  onHandBack: () => void
}

/** Handing back what its student still works on: not the main thing to do, and asked about. */
export function HandBackEarly({ first, busy, onHandBack }: HandBackEarlyProps) {
  const [asks, setAsks] = useState(false)
  return (
    <>
      <Button onClick={() => setAsks(true)} disabled={busy}>
        Hand back as it is …
      </Button>
      {asks && (
        <Dialog open onClose={() => setAsks(false)} title={`${first} still works on this`}>
          <p>
            Handed back now, it can be read but not written on: whatever {first} is in the middle of stops
            there. What is written so far is kept.
          </p>
          <div className="mt-5 flex flex-wrap gap-3">
            <Button look="main" large onClick={() => setAsks(false)}>
              Let {first} go on
            </Button>
            <Button
              large
              onClick={() => {
                setAsks(false)
                onHandBack()
              }}
            >
              Hand back now
            </Button>
          </div>
        </Dialog>
      )}
    </>
  )
}
