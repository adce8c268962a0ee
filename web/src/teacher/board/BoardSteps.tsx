import { CALLS, type HandoutWhole } from '@hand-back/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Field } from '../../ui/Field.tsx'
import { MoreMenu } from '../../ui/MoreMenu.tsx'
import { sayDone, sayProblem } from '../../ui/notices.ts'

interface BoardStepsProps {
  handout: HandoutWhole
  copy: string
  /** The hand-out at whose front it is shown. */
  lesson: string
}

/** What becomes of a page at the front: the class has it to read, gets copies of it, or it stands on the shelf. */
export function BoardSteps({ handout, copy, lesson }: BoardStepsProps) {
  const navigate = useNavigate()
  const prepareAt = `/worksheet/${handout.worksheetId}?in=${handout.id}&lesson=${lesson}`
  const [keeps, setKeeps] = useState<'shelf' | 'hand out'>()
  const missing = handout.without.map(({ id }) => id)
  const give = async () => {
    try {
      await ask(CALLS.giveToMore, { handout: handout.id }, { students: missing })
      await refresh(CALLS.handout, { handout: handout.id })
      sayDone(`${handout.className} has it to read, and sees what you write.`)
    } catch (error) {
      sayProblem(error)
    }
  }
  return (
    <>
      <MoreMenu
        label="What becomes of it"
        acts={[
          ...(missing.length > 0
            ? [{ words: `Give it to ${handout.className} to read`, act: () => void give() }]
            : []),
          ...(handout.ownsWorksheet
            ? [{ words: 'Put curves, cards, a part of a page on it …', act: () => void navigate(prepareAt) }]
            : []),
          { words: 'Hand out copies of it …', act: () => setKeeps('hand out') },
          { words: 'Keep it on the shelf …', act: () => setKeeps('shelf') },
        ]}
      />
      {keeps && (
        <OntoShelf
          copy={copy}
          title={handout.title}
          classId={handout.classId}
          handsOut={keeps === 'hand out'}
          onClose={() => setKeeps(undefined)}
        />
      )}
    </>
  )
}

interface OntoShelfProps {
  copy: string
  title: string
  /** For whom it was written. */
  classId: string
  /** It is handed out right after. */
  handsOut: boolean
  onClose: () => void
}

function OntoShelf({ copy, title, classId, handsOut, onClose }: OntoShelfProps) {
  const navigate = useNavigate()
  const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long' })
  const [name, setName] = useState(`${title}, ${today}`)
  const [busy, setBusy] = useState(false)
  const keep = async () => {
    setBusy(true)
    try {
      const { id } = await ask(CALLS.copyToShelf, { copy }, { title: name.trim() })
      void refresh(CALLS.worksheets)
      onClose()
      if (handsOut) void navigate(`/worksheet/${id}/hand-out?class=${classId}`)
      else sayDone(`“${name.trim()}” stands on the shelf.`)
    } catch (error) {
      sayProblem(error)
      setBusy(false)
    }
  }
  return (
    <Dialog open onClose={onClose} title={handsOut ? 'Hand out copies of it' : 'Keep it on the shelf'}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (name.trim() !== '') void keep()
        }}
      >
        <p className="text-ink-soft">
          Its pages as they are now become a worksheet. What is spoken or filmed stays here.
        </p>
        <Field
          label="Its name"
          maxLength={120}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" look="main" disabled={busy || name.trim() === ''}>
          {handsOut ? 'Go on' : 'Keep it'}
        </Button>
      </form>
    </Dialog>
  )
}
