import { CALLS, type CopyRow, type HandoutWhole, type Lack } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { Field, INPUT } from '../../ui/Field.tsx'
import { saySentence } from '../../ui/notices.ts'
import { useAct } from '../../ui/useAct.ts'
import { count } from '../../ui/when.ts'
import { asked } from '../asked.ts'
import { asState } from '../handout/forSome.ts'

interface ForThemProps {
  handout: HandoutWhole
  /** The copies of those who lack the same. */
  who: readonly CopyRow[]
  lacks: readonly Lack[]
}

/** Something for those who lack the same: a group of the class, or a worksheet (or a page of one) handed out to just them. */
export function ForThem({ handout, who, lacks }: ForThemProps) {
  const navigate = useNavigate()
  const worksheets = useQuery(asked.worksheets())
  const roster = useQuery(asked.class(handout.classId))
  const [name, setName] = useState(() => `Again: ${lacks.map(({ label }) => label).join(', ')}`.slice(0, 60))
  const [worksheet, setWorksheet] = useState('')
  const inClass = new Set(roster.data?.students.map(({ id }) => id))
  const students = [...new Set(who.flatMap((row) => row.students.map(({ id }) => id)))].filter((id) =>
    inClass.has(id),
  )
  const { run, busy, problem } = useAct(async () => {
    const ids = { class: handout.classId, grouping: crypto.randomUUID() }
    const group = { id: crypto.randomUUID(), name: name.trim(), students }
    await ask(CALLS.keepGrouping, ids, { name: name.trim(), groups: [group] })
    void refresh(CALLS.groupings, { class: handout.classId })
    saySentence(`“${name.trim()}” is kept with the groups of ${handout.className}.`)
  })
  if (handout.namesHidden)
    return <p className="text-ochre">Names are hidden: show them on the pile to make a group of these.</p>
  if (students.length === 0 || !roster.data) return null
  const own = worksheets.data ?? []
  const chosen = worksheet || own.find(({ id }) => id === handout.worksheetId)?.id || own[0]?.id
  const handOut = () => {
    const left = roster.data.students.map(({ id }) => id).filter((id) => !students.includes(id))
    const forSome = { id: crypto.randomUUID(), class: handout.classId, left }
    void navigate(`/worksheet/${chosen}/hand-out`, { state: asState(forSome) })
  }
  return (
    <>
      <div className="flex flex-col gap-2 border-t border-rule pt-4">
        <label className="flex flex-col gap-1 font-semibold">
          Hand out to just them
          <select
            value={chosen}
            onChange={({ target }) => setWorksheet(target.value)}
            className={`${INPUT} font-normal`}
          >
            {own.map(({ id, title }) => (
              <option key={id} value={id}>
                {title}
                {id === handout.worksheetId ? ' (or some pages of it)' : ''}
              </option>
            ))}
          </select>
        </label>
        <Button look="main" large disabled={!chosen} onClick={handOut}>
          Hand out to {count(students.length, 'student', 'students')} …
        </Button>
      </div>
      <div className="flex flex-col gap-2 border-t border-rule pt-4">
        <Field
          label="Or keep them as a group"
          value={name}
          maxLength={60}
          problem={problem}
          onChange={({ target }) => setName(target.value)}
        />
        <Button disabled={busy || name.trim() === ''} onClick={() => void run()}>
          Keep the group
        </Button>
      </div>
    </>
  )
}
