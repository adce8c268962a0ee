import { sayWhat } from '../page/device/outgoing.ts'
import { openOutbox } from '../page/device/personOutbox.ts'
import { saveWaiting } from '../page/device/saveWaiting.ts'
import { Button } from '../ui/Button.tsx'
import { Dialog } from '../ui/Dialog.tsx'
import { signOut } from './signOut.ts'

interface NotAtSchoolProps {
  /** On how many copies something was spoken that is not kept yet. */
  spoken: number
  onClose: () => void
}

/** What has not reached school or is not kept yet, said to somebody who wants to sign out. */
export function NotAtSchool({ spoken, onClose }: NotAtSchoolProps) {
  const waiting = openOutbox()?.waiting() ?? []
  const what = sayWhat(waiting.map(({ event }) => event))
  return (
    <Dialog open onClose={onClose} title={titleOf(what, waiting.length, spoken)}>
      {waiting.length > 0 && (
        <p>
          Wait here until all is at school. If you sign out now, it stays on this device, where nobody else
          sees it, and goes to school when you sign in here again.
        </p>
      )}
      {spoken > 0 && (
        <p className={waiting.length > 0 ? 'mt-3' : ''}>
          {waiting.length > 0 && 'What you spoke is not kept yet either. '}
          Open the worksheet again, and keep what you spoke or take it away. If you sign out now, it waits on
          this device, where nobody else hears it, until you sign in here again.
        </p>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        <Button look="main" large onClick={onClose}>
          {waiting.length > 0 ? 'Wait' : 'Stay'}
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

function titleOf(what: string, waiting: number, spoken: number): string {
  if (waiting > 0) return `${what} ${waiting === 1 ? 'has' : 'have'} not reached school`
  if (spoken > 0) return spoken === 1 ? 'A recording is not kept yet' : 'Recordings are not kept yet'
  return 'All has reached school now'
}
