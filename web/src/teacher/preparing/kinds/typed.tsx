import { lenientKey, type TypedKey } from '@hand-back/core'
import { ChoiceRow, NumberRow, TextRow, TickRow } from '../panels/rows.tsx'
import { ONLY_YOU, useKey } from '../panels/useKey.ts'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const typed = {
  name: () => 'Typed box',
  group: 'Ask',
  list: {
    typed: { name: 'Typed box', put: { size: [45, 10] } },
  },
  Panel,
} satisfies TeacherKind<'typed'>

function Panel({ item, set }: PanelProps<'typed'>) {
  const [key, setKey] = useKey(item.id)
  const typed: TypedKey = key?.kind === 'typed' ? key : lenientKey([])
  const change = (next: Partial<TypedKey>) => {
    const made = { ...typed, ...next }
    setKey(made.answers.length > 0 ? made : undefined)
  }
  const written = typed.answers.join('\n')
  return (
    <>
      <TextRow label="Label" first value={item.label} onChange={(label) => set({ label }, 'label')} />
      <ChoiceRow
        label="Takes"
        value={item.takes}
        options={[
          ['line', 'one line'],
          ['lines', 'several lines'],
          ['number', 'a number'],
        ]}
        onChange={(takes) => set({ takes })}
      />
      <NumberRow
        label="Letter size"
        value={item.size}
        least={4}
        most={300}
        onChange={(size) => set({ size }, 'size')}
      />
      <TextRow
        label="Right answers, one a line"
        lines={3}
        value={written}
        longest={5000}
        onChange={(text) => change({ answers: text === '' ? [] : text.split('\n').slice(0, 50) })}
      />
      {key && (
        <>
          <TickRow
            label="Capitals do not matter"
            on={typed.ignoreCase}
            onChange={(ignoreCase) => change({ ignoreCase })}
          />
          <TickRow
            label="Accents do not matter"
            on={typed.ignoreAccents}
            onChange={(ignoreAccents) => change({ ignoreAccents })}
          />
          <TickRow
            label="Spaces do not matter"
            on={typed.ignoreSpaces}
            onChange={(ignoreSpaces) => change({ ignoreSpaces })}
          />
        </>
      )}
      <p className="text-ink-soft">Equal in value counts: 1/2, 0.5 and 2/4 are the same. {ONLY_YOU}</p>
    </>
  )
}
