import { CALLS, type CopyChange, type CopyRow, type HandoutWhole } from '@hand-back/core'
import { useState } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { sayWhen } from '../../ui/when.ts'
import { MomentField } from './MomentField.tsx'
import { dueHint } from './momentHints.ts'

interface OneCopyProps {
  handout: HandoutWhole
  copy: CopyRow
}

/** What can be other for one copy than for the rest: its date, and whether its student has it. */
export function OneCopy({ handout, copy }: OneCopyProps) {
  const [open, setOpen] = useState(false)
  const change = async (to: CopyChange) => {
    try {
      await ask(CALLS.changeCopy, { copy: copy.id }, to)
      await refresh(CALLS.handout, { handout: handout.id })
    } catch (error) {
      sayProblem(error)
    }
  }
  const withdraw = async () => {
    setOpen(false)
    await change({ withdrawn: true })
    sayDone(`Withdrawn from ${copy.name}. Nothing in it is lost.`, () => void change({ withdrawn: false }))
  }
  const first = copy.shared ? copy.name : copy.name.split(' ')[0]!
  const asAll = handout.dueAt === null ? 'no date' : `due ${sayWhen(handout.dueAt)}`
  return (
    <>
      <Button
        look="quiet"
        className="font-normal text-ink-soft"
        aria-label={`Only for ${copy.name}`}
        onClick={() => setOpen(true)}
      >
        Only for {first} …
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} title={`Only for ${copy.name}`}>
        <MomentField
          label="Due for this copy"
          aloneMeans="end"
          value={copy.dueAt}
          hint={dueHint(copy.dueAt, `Empty: like everybody, ${asAll}.`)}
          onChange={(dueAt) => void change({ dueAt })}
        />
        <div className="mt-6 flex flex-wrap items-center gap-3 border-t border-rule pt-4">
          {copy.withdrawn ? (
            <>
              <p className="flex-1">{first} does not see it now. Everything in it is kept.</p>
              <Button look="main" onClick={() => void change({ withdrawn: false })}>
                Bring it back
              </Button>
            </>
          ) : (
            <>
              <p className="flex-1">Take it out of the tray; everything in it is kept.</p>
              <Button onClick={() => void withdraw()}>Withdraw from {first}</Button>
            </>
          )}
        </div>
      </Dialog>
    </>
  )
}
