import { type Box, CALLS, type CopyWhole, type PagePart } from '@hand-back/core'
import { X } from 'lucide-react'
import { useState } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { Tick } from '../../ui/Tick.tsx'

interface PartsGivenProps {
  copy: CopyWhole
  page: string
  /** A part that was drawn round just now: to whom is it given? */
  drawn: Box | undefined
  onDone: () => void
}

/** The parts of a page that were given to some who share it: to take back, and to whom the next one goes. */
export function PartsGiven({ copy, page, drawn, onDone }: PartsGivenProps) {
  const names = new Map(copy.students.map(({ id, name }) => [id, name]))
  const put = async (parts: readonly PagePart[]) => {
    try {
      await ask(CALLS.giveParts, { copy: copy.id }, [...parts])
      await refresh(CALLS.copy, { copy: copy.id })
      onDone()
    } catch (error) {
      sayProblem(error)
    }
  }
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-ochre-soft px-5 py-1.5">
      <p>Draw round a part of the page, and say whose it is.</p>
      <ul className="flex flex-wrap gap-x-3">
        {copy.parts.map((part, index) =>
          part.page === page ? (
            <li key={index} className="flex items-center">
              <span>{part.students.map((id) => names.get(id)).join(' and ')}</span>
              <Button
                look="quiet"
                className="px-2"
                aria-label={`Take back the part of ${part.students.map((id) => names.get(id)).join(' and ')}`}
                onClick={() => void put(copy.parts.filter((_part, at) => at !== index))}
              >
                <X size={16} aria-hidden="true" />
              </Button>
            </li>
          ) : null,
        )}
      </ul>
      {drawn && (
        <WhosePart
          copy={copy}
          onGive={(students) => void put([...copy.parts, { page, box: drawn, students }])}
          onClose={onDone}
        />
      )}
    </div>
  )
}

interface WhosePartProps {
  copy: CopyWhole
  onGive: (students: string[]) => void
  onClose: () => void
}

function WhosePart({ copy, onGive, onClose }: WhosePartProps) {
  const [chosen, setChosen] = useState<readonly string[]>([])
  return (
    <Dialog open onClose={onClose} title="Whose part is this?">
      <form
        className="grid gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          onGive([...chosen])
        }}
      >
        {copy.students.map(({ id, name }) => (
          <Tick
            key={id}
            ticked={chosen.includes(id)}
            onTick={(ticked) => setChosen(ticked ? [...chosen, id] : chosen.filter((each) => each !== id))}
          >
            {name}
          </Tick>
        ))}
        <Button type="submit" look="main" disabled={chosen.length === 0}>
          Give it
        </Button>
      </form>
    </Dialog>
  )
}
