import { useState } from 'react'
import { sayWhat } from '../page/device/outgoing.ts'
import { openOutbox } from '../page/device/personOutbox.ts'
import { saveWaiting } from '../page/device/saveWaiting.ts'
import { Button } from '../ui/Button.tsx'
import { Dialog } from '../ui/Dialog.tsx'
import { signOut } from './signOut.ts'

/** Signs out. What has not reached school is said before. */
export function SignOutButton({ large = false }: { large?: boolean }) {
  const [asks, setAsks] = useState(false)
  const waiting = openOutbox()?.waiting() ?? []
  const press = () => {
    if ((openOutbox()?.waiting().length ?? 0) > 0) setAsks(true)
    else void signOut()
  }
  const what = sayWhat(waiting.map(({ event }) => event))
  return (
    <>
      <Button look="quiet" large={large} onClick={press}>
        Sign out
      </Button>
      {asks && (
        <Dialog
          open
          onClose={() => setAsks(false)}
          title={
            waiting.length > 0
              ? `${what} ${waiting.length === 1 ? 'has' : 'have'} not reached school`
              : 'All has reached school now'
          }
        >
          {waiting.length > 0 && (
            <p>
              Wait here until all is at school. If you sign out now, it stays on this device, where nobody
              else sees it, and goes to school when you sign in here again.
            </p>
          )}
          <div className="mt-5 flex flex-wrap gap-3">
            <Button look="main" large onClick={() => setAsks(false)}>
              Wait
            </Button>
            {waiting.length > 0 && (
              <Button large onClick={() => void saveWaiting(waiting)}>
                Save as a file
              </Button>
            )}
            <Button large onClick={() => void signOut()}>
              Sign out now
            </Button>
          </div>
        </Dialog>
      )}
    </>
  )
}
