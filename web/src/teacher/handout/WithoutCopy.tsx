import { CALLS, type HandoutWhole } from '@hand-back/core'
import { useState } from 'react'
import { ask } from '../../api/ask.ts'
import { Button } from '../../ui/Button.tsx'
import { NameTag } from '../../ui/NameTag.tsx'
import { useAct } from '../../ui/useAct.ts'

interface WithoutCopyProps {
  handout: HandoutWhole
  onGiven: () => Promise<unknown>
}

/** Students of the class who have none of it: those who came late are chosen one by one. */
export function WithoutCopy({ handout, onGiven }: WithoutCopyProps) {
  const { without, way, id, copies } = handout
  const [into, setInto] = useState('')
  const [wanted, setWanted] = useState<readonly string[]>([])
  // Who is alone in being without it is who is meant.
  const students = without.length === 1 ? without.map((each) => each.id) : wanted
  const { run, busy, problem } = useAct(async () => {
    await ask(
      CALLS.giveToMore,
      { handout: id },
      into ? { students: [...students], copy: into } : { students: [...students] },
    )
    setWanted([])
    await onGiven()
  })
  if (without.length === 0) return null
  const toggle = (student: string) =>
    setWanted(wanted.includes(student) ? wanted.filter((each) => each !== student) : [...wanted, student])
  return (
    <fieldset className="flex flex-wrap items-center gap-2 rounded-tag border border-rule bg-card px-4 py-2.5">
      <legend className="sr-only">Without it</legend>
      <b className="mr-1">Without it:</b>
      {without.map((student) => (
        <NameTag key={student.id} picked={students.includes(student.id)} onClick={() => toggle(student.id)}>
          {student.name}
        </NameTag>
      ))}
      <span className="flex-1" />
      {without.length > 1 && wanted.length < without.length && (
        <Button look="quiet" onClick={() => setWanted(without.map((each) => each.id))}>
          All {without.length}
        </Button>
      )}
      {way === 'group' && (
        <select
          aria-label="Into which group"
          value={into}
          onChange={(event) => setInto(event.target.value)}
          className="min-h-[38px] pointer-coarse:min-h-11 rounded-tag border border-ink-soft/60 bg-sheet px-2 py-1"
        >
          <option value="">into the group …</option>
          {copies.map((copy) => (
            <option key={copy.id} value={copy.id}>
              {copy.name}
            </option>
          ))}
        </select>
      )}
      <Button
        disabled={busy || students.length === 0 || (way === 'group' && into === '')}
        onClick={() => void run()}
      >
        {students.length < 2 ? 'Give it to them too' : `Give it to these ${students.length}`}
      </Button>
      {problem && (
        <p role="alert" className="w-full text-madder">
          {problem}
        </p>
      )}
    </fieldset>
  )
}
