import { type CopyRow, type Person, worksOn } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { sayProblem, saySentence } from '../../ui/notices.ts'
import { Tick } from '../../ui/Tick.tsx'
import { asked } from '../asked.ts'
import { type Help, helpFor } from './spreadHelp.ts'

interface GiveHelpProps {
  handout: string
  /** The copy where it lies. */
  copy: string
  person: Person
  help: Help
  onClose: () => void
}

/** Gives help that lies on one copy to others, or to all. */
export function GiveHelp(props: GiveHelpProps) {
  const handout = useQuery(asked.handout(props.handout))
  return (
    <Dialog open onClose={props.onClose} title="The same help for others">
      <Fetched of={handout}>
        {({ copies }) => (
          <Choose {...props} rows={copies.filter(({ id, withdrawn }) => id !== props.copy && !withdrawn)} />
        )}
      </Fetched>
    </Dialog>
  )
}

function Choose({ person, help, onClose, rows }: GiveHelpProps & { rows: readonly CopyRow[] }) {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const [busy, setBusy] = useState(false)
  const all = chosen.size === rows.length
  const tick = (id: string, ticked: boolean) =>
    setChosen((before) => {
      const now = new Set(before)
      if (ticked) now.add(id)
      else now.delete(id)
      return now
    })
  const give = async () => {
    setBusy(true)
    try {
      // All of it is made before any of it is given: nobody gets half a hint.
      const given = await Promise.all(
        [...chosen].map(async (copy) => ({
          copy,
          events: await helpFor(help, person.id, Date.now(), () => crypto.randomUUID()),
        })),
      )
      for (const { copy, events } of given)
        for (const { event, attachments } of events) void outboxOf(person.id).put(copy, event, ...attachments)
      saySentence(`Given to ${chosen.size === 1 ? 'one' : chosen.size}.`)
      onClose()
    } catch (error) {
      sayProblem(error)
      setBusy(false)
    }
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        void give()
      }}
      className="grid gap-3"
    >
      <p className="text-ink-soft">It lies at the same place of their page, to be seen at once.</p>
      <Tick
        ticked={all}
        onTick={(ticked) => setChosen(new Set(ticked ? rows.map(({ id }) => id) : []))}
        className="border-b border-rule font-semibold"
      >
        All
      </Tick>
      <div className="grid max-h-[46vh] grid-cols-2 gap-x-4 overflow-y-auto max-phone:grid-cols-1">
        {rows.map(({ id, name, state }) => (
          <Tick key={id} ticked={chosen.has(id)} onTick={(ticked) => tick(id, ticked)}>
            <span className="min-w-0 truncate">
              {name}
              {!worksOn(state) && <span className="text-ink-soft"> · {state}</span>}
            </span>
          </Tick>
        ))}
      </div>
      <Button type="submit" look="main" disabled={chosen.size === 0 || busy}>
        Give
      </Button>
    </form>
  )
}
