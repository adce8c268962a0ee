import { CALLS, type CopyRow, type CopyWhole, type HandoutWhole, type PageOwners } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask } from '../../api/ask.ts'
import { queries, refresh } from '../../api/queries.ts'
import { PaperThumb } from '../../page/pages/PaperThumb.tsx'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { sayProblem } from '../../ui/notices.ts'

const refreshBoth = (handout: string, copy: string) =>
  Promise.all([refresh(CALLS.handout, { handout }), refresh(CALLS.copy, { copy })])

/** Who shares a copy: moving somebody to another group, and giving pages to one of them each. */
export function SharedPeople({ handout, copy }: { handout: HandoutWhole; copy: CopyRow }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button look="quiet" onClick={() => setOpen(true)} aria-label={`People and pages of ${copy.name}`}>
        People and pages
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} title={copy.name} wide>
        <Members handout={handout} copy={copy} />
        <Pages handout={handout} copy={copy} />
      </Dialog>
    </>
  )
}

/** Chosen for somebody who is to be in no group. */
const OUT = 'no longer in it'

function Members({ handout, copy }: { handout: HandoutWhole; copy: CopyRow }) {
  const others = handout.copies.filter(({ id }) => id !== copy.id)
  const move = async (student: string, to: string) => {
    try {
      await ask(CALLS.giveToMore, { handout: handout.id }, { students: [student], copy: to })
      await refreshBoth(handout.id, copy.id)
    } catch (error) {
      sayProblem(error)
    }
  }
  const takeOut = async (student: string) => {
    try {
      await ask(CALLS.leaveCopy, { copy: copy.id, student })
      await refreshBoth(handout.id, copy.id)
    } catch (error) {
      sayProblem(error)
    }
  }
  if (copy.students.length === 0) return <p className="text-ink-soft">Nobody is in this group any more.</p>
  return (
    <ul className="mb-5 grid gap-x-6 gap-y-1 phone:grid-cols-2">
      {copy.students.map(({ id, name }) => (
        <li key={id} className="flex min-h-[38px] items-center gap-3 border-b border-rule">
          <span className="flex-1">{name}</span>
          <select
            aria-label={`Move ${name}`}
            value=""
            onChange={({ target: { value } }) => {
              if (value === OUT) void takeOut(id)
              else if (value) void move(id, value)
            }}
            className="min-h-[34px] rounded-tag border border-ink-soft/60 bg-sheet px-2"
          >
            <option value="">move to …</option>
            {others.map((other) => (
              <option key={other.id} value={other.id}>
                {other.name}
              </option>
            ))}
            <option value={OUT}>no longer in it</option>
          </select>
        </li>
      ))}
    </ul>
  )
}

function Pages({ handout, copy }: { handout: HandoutWhole; copy: CopyRow }) {
  const whole = useQuery(queries.copy(copy.id))
  return <Fetched of={whole}>{(each) => <Owners handout={handout} copy={each} />}</Fetched>
}

function Owners({ handout, copy }: { handout: HandoutWhole; copy: CopyWhole }) {
  const give = async (owners: PageOwners) => {
    try {
      await ask(CALLS.givePages, { copy: copy.id }, owners)
      await refreshBoth(handout.id, copy.id)
    } catch (error) {
      sayProblem(error)
    }
  }
  const inTurn = () =>
    void give(
      Object.fromEntries(
        copy.pages.map(({ id }, index) => [id, [copy.students[index % copy.students.length]!.id]]),
      ),
    )
  return (
    <>
      <h3 className="mb-2 font-semibold">Whose page?</h3>
      <ul className="mb-4 flex max-h-[46vh] flex-wrap gap-4 overflow-y-auto p-1">
        {copy.pages.map((page, index) => (
          <li key={page.id} className="flex w-[150px] flex-col gap-2">
            <PaperThumb page={page} width={110} label={`Page ${index + 1}`} />
            <select
              aria-label={`Whose is page ${index + 1}`}
              value={copy.owners[page.id]?.[0] ?? ''}
              onChange={(event) =>
                void give({ ...copy.owners, [page.id]: event.target.value ? [event.target.value] : [] })
              }
              className="min-h-[34px] rounded-tag border border-ink-soft/60 bg-sheet px-2"
            >
              <option value="">everybody’s</option>
              {copy.students.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </li>
        ))}
      </ul>
      {copy.pages.length > 1 && copy.students.length > 0 && (
        <Button onClick={inTurn}>Give each a page in turn</Button>
      )}
    </>
  )
}
