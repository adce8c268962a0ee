import { CALLS, type ClassWhole, type Person } from '@hand-back/core'
import { useState } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { useAct } from '../../ui/useAct.ts'

/** All who teach a class, and the link that lets one colleague in. */
export function Colleagues({ whole, person }: { whole: ClassWhole; person: Person }) {
  const { id, teachers } = whole
  const [link, setLink] = useState<string>()
  const invite = useAct(async () => {
    const { token } = await ask(CALLS.invite, { class: id })
    setLink(`${location.origin}/colleague/${token}`)
  })
  const made = teachers.find((teacher) => teacher.made)
  /** Who is about to be removed. */
  const [going, setGoing] = useState<ClassWhole['teachers'][number]>()
  const remove = async (teacher: string) => {
    setGoing(undefined)
    try {
      await ask(CALLS.removeTeacher, { class: id, teacher })
      await Promise.all([
        refresh(CALLS.wholeClass, { class: id }),
        refresh(CALLS.classes),
        refresh(CALLS.handouts),
      ])
    } catch (error) {
      sayProblem(error)
    }
  }
  const copy = async (address: string) => {
    try {
      await navigator.clipboard.writeText(address)
      sayDone('The link is copied.')
    } catch {
      // Without the clipboard it is marked in the field, to be copied by hand.
    }
  }
  return (
    <section className="mt-6 flex flex-col gap-3 rounded-md border border-rule bg-card p-6">
      <h2 className="font-sans text-base font-semibold">Teachers</h2>
      <ul className="flex flex-col gap-1">
        {teachers.map((teacher) => (
          <li key={teacher.id} className="flex min-h-[32px] items-center gap-2">
            <span className="flex-1">
              {teacher.name}
              {teacher.id === person.id && <span className="text-ink-soft"> (you)</span>}
            </span>
            {!teacher.made && (teacher.id === person.id || made?.id === person.id) && (
              <Button look="quiet" onClick={() => setGoing(teacher)}>
                Remove
              </Button>
            )}
          </li>
        ))}
      </ul>
      {going && (
        <Dialog open onClose={() => setGoing(undefined)} title={`Remove ${going.name}?`}>
          <p>
            {going.id === person.id ? 'You do' : `${going.name} does`} not see this class any more, and only
            those copies that {going.id === person.id ? 'you' : 'they'} handed out. What was written stays.
          </p>
          <div className="mt-5 flex flex-wrap gap-3">
            <Button look="main" onClick={() => setGoing(undefined)}>
              Keep
            </Button>
            <Button onClick={() => void remove(going.id)}>Remove</Button>
          </div>
        </Dialog>
      )}
      {link === undefined ? (
        <Button disabled={invite.busy} onClick={() => void invite.run()} className="self-start">
          Invite a colleague
        </Button>
      ) : (
        <>
          <label className="flex flex-col gap-1 font-semibold">
            Give this link to your colleague
            <input
              readOnly
              value={link}
              onFocus={(event) => event.target.select()}
              className={`${INPUT} font-normal`}
            />
          </label>
          <Button onClick={() => void copy(link)} className="self-start">
            Copy the link
          </Button>
          <p className="text-ink-soft">
            It works once, for a week. Your colleague sees all copies of this class, marks them, and hands out
            to it.
          </p>
        </>
      )}
      {invite.problem && (
        <p role="alert" className="text-madder">
          {invite.problem}
        </p>
      )}
    </section>
  )
}
