import type { ClassWhole, Sheet, StudentSet, Way } from '@hand-back/core'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { GroupsEditor } from '../groups/GroupsEditor.tsx'
import { KeptGroups } from '../groups/KeptGroups.tsx'
import type { ClassChoice } from './choices.ts'
import { SetsFromGroups } from './SetsFromGroups.tsx'

interface ClassPartProps {
  roster: ClassWhole
  sheet: Sheet
  way: Way
  /** Pages are dealt: sets do not count. */
  dealt: boolean
  choice: ClassChoice
  /** Its sets are those of the kept groups of this name. */
  asKept: string | undefined
  onChange: (choice: ClassChoice) => void
}

/** Who of one class: its students, or its groups, with their sets where the worksheet has some. */
export function ClassPart({ roster, sheet, way, dealt, choice, asKept, onChange }: ClassPartProps) {
  const sets = dealt ? [] : sheet.sets
  const { setOf = {} } = choice
  const set = (ids: readonly string[], to: string) => {
    const now = { ...setOf }
    for (const id of ids) {
      if (to === '') delete now[id]
      else now[id] = to
    }
    onChange({ ...choice, setOf: now })
  }
  if (way === 'group')
    return (
      <fieldset className="min-w-0">
        <legend className="mb-2 font-semibold">Groups of {roster.name}</legend>
        <GroupsEditor
          roster={roster.students}
          groups={choice.groups}
          onChange={(groups) => onChange({ ...choice, groups })}
        >
          <KeptGroups
            classId={roster.id}
            groups={choice.groups}
            onTake={(kept) => onChange({ ...choice, groups: kept.groups })}
          />
        </GroupsEditor>
        {sets.length > 0 &&
          choice.groups.map(({ id, name }) => (
            <div key={id} className="mt-2 flex items-center gap-3">
              <span className="min-w-[120px]">{name}</span>
              <SetPicker sets={sets} name={name} value={setOf[id] ?? ''} onChange={(to) => set([id], to)} />
            </div>
          ))}
      </fieldset>
    )
  const everybody = roster.students.map(({ id }) => id)
  const toggle = (id: string) => {
    const { left } = choice
    onChange({ ...choice, left: left.includes(id) ? left.filter((each) => each !== id) : [...left, id] })
  }
  return (
    <fieldset className="min-w-0">
      <legend className="mb-2 font-semibold">Who in {roster.name}?</legend>
      {sets.length > 0 && way === 'own' && (
        <p className="mb-2 flex flex-wrap items-center gap-2">
          Everybody:
          <SetPicker
            sets={sets}
            name="everybody"
            value={sameFor(everybody, setOf)}
            onChange={(to) => set(everybody, to)}
          />
          <SetsFromGroups
            classId={roster.id}
            sets={sets}
            asKept={asKept}
            onTake={(taken) => onChange({ ...choice, setOf: taken })}
          />
          <span className="text-ink-soft">Students in no set get only the pages for everyone.</span>
        </p>
      )}
      <ul
        className={`grid gap-x-4 gap-y-1 ${sets.length > 0 && way === 'own' ? 'grid-cols-[repeat(auto-fill,minmax(345px,1fr))]' : 'grid-cols-[repeat(auto-fill,minmax(190px,1fr))]'}`}
      >
        {roster.students.map(({ id, name }) => (
          <li key={id} className="flex items-center gap-2">
            <Tick
              ticked={!choice.left.includes(id)}
              onTick={() => toggle(id)}
              className="min-w-0 flex-1 rounded-tag px-2 hover:bg-card"
            >
              <span
                className={`leading-tight ${choice.left.includes(id) ? 'text-ink-soft line-through' : ''}`}
              >
                {name}
              </span>
            </Tick>
            {sets.length > 0 && way === 'own' && !choice.left.includes(id) && (
              <SetPicker sets={sets} name={name} value={setOf[id] ?? ''} onChange={(to) => set([id], to)} />
            )}
          </li>
        ))}
      </ul>
    </fieldset>
  )
}

/** The set that all of these have, or none. */
function sameFor(ids: readonly string[], setOf: Readonly<Record<string, string>>): string {
  const [first] = ids
  const set = first && setOf[first]
  return set && ids.every((id) => setOf[id] === set) ? set : ''
}

/** One of the sets of a worksheet, one press each; pressed again, none. */
function SetPicker({
  sets,
  name,
  value,
  onChange,
}: {
  sets: readonly StudentSet[]
  name: string
  value: string
  onChange: (set: string) => void
}) {
  return (
    <OneOf
      label={`Set of ${name}`}
      value={value}
      onChoose={onChange}
      onClear={() => onChange('')}
      className="inline-flex overflow-hidden rounded-tag border border-rule"
    >
      {sets.map(({ id, name: called }) => (
        <Option
          key={id}
          value={id}
          className={`min-h-[34px] pointer-coarse:min-h-11 px-2.5 ${value === id ? 'bg-ink font-semibold text-sheet' : 'bg-sheet hover:bg-blotter'}`}
        >
          {called}
        </Option>
      ))}
    </OneOf>
  )
}
