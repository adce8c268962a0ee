import { MAIL_ABOUT, type MailAbout, type Person } from '@hand-back/core'
import { useHabits } from '../page/habits/useHabits.ts'
import { Dialog } from '../ui/Dialog.tsx'
import { Tick } from '../ui/Tick.tsx'

interface MailChoiceProps {
  person: Person
  address: string
  onClose: () => void
}

const WORDS: Record<MailAbout, string> = {
  'handed out': 'Something new is in my tray',
  due: 'Something is due tomorrow, and I have not handed it in',
  'handed back': 'Something came back to me',
}

/** Which mails come. */
export function MailChoice({ person, address, onClose }: MailChoiceProps) {
  const [{ noMail = [] }, change] = useHabits(person.id)
  return (
    <Dialog open onClose={onClose} title="Mail to me">
      <p className="mb-3">
        Goes to <b className="break-all">{address}</b> when
      </p>
      {MAIL_ABOUT.map((about) => (
        <Tick
          key={about}
          ticked={!noMail.includes(about)}
          onTick={(comes) =>
            change({ noMail: comes ? noMail.filter((each) => each !== about) : [...noMail, about] })
          }
        >
          {WORDS[about]}
        </Tick>
      ))}
      <p className="mt-3 text-ink-soft">
        What your teacher wrote and your marks are never in a mail. Is the address wrong? Tell your teacher.
      </p>
    </Dialog>
  )
}
