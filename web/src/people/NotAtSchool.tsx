import { sayWhat } from '../page/device/outgoing.ts'
import { openOutbox } from '../page/device/personOutbox.ts'
import { saveWaiting } from '../page/device/saveWaiting.ts'
import { Button } from '../ui/Button.tsx'
import { Dialog } from '../ui/Dialog.tsx'
import { signOut } from './signOut.ts'

/** What has not reached school, said to somebody who wants to sign out. */
export function NotAtSchool({ onClose }: { onClose: () => void }) {
  const waiting = openOutbox()?.waiting() ?? []
  const what = sayWhat(waiting.map(({ event }) => event))
  return (
    <Dialog
      open
      onClose={onClose}
      title={
        waiting.length > 0
          ? `${what} ${waiting.length === 1 ? 'has' : 'have'} not reached school`
          : 'All has reached school now'
      }
    >
      {waiting.length > 0 && (
        <p>
          Wait here until all is at school. If you sign out now, it stays on this device, where nobody else
          sees it, and goes to school when you sign in here again.
        </p>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        <Button look="main" large onClick={onClose}>
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
  )
}
