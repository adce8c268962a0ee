import { Plus, X } from 'lucide-react'
import { Button } from '../../../ui/Button.tsx'
import { IconButton } from '../../../ui/IconButton.tsx'
import { TickBox } from '../../../ui/Tick.tsx'
import { NumberRow, SMALL_INPUT, TextRow, TickRow } from '../panels/rows.tsx'
import { ONLY_YOU, useKey } from '../panels/useKey.ts'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const choice = {
  name: () => 'Choice',
  group: 'Ask',
  list: {
    choice: { name: 'Choice', put: { size: [60, 24] } },
  },
  Panel,
} satisfies TeacherKind<'choice'>

function Panel({ item, set }: PanelProps<'choice'>) {
  const [key, setKey] = useKey(item.id)
  const right = key?.kind === 'choice' ? key.options : []
  const tick = (id: string, on: boolean) => {
    const options = item.options
      .map((option) => option.id)
      .filter((each) => (each === id ? on : right.includes(each) && (item.many || !on)))
    setKey(options.length > 0 ? { kind: 'choice', options } : undefined)
  }
  return (
    <>
      <TextRow label="Asks" first value={item.label} onChange={(label) => set({ label }, 'label')} />
      <fieldset className="flex flex-col gap-1.5">
        <legend className="mb-1">Options; tick what is right</legend>
        {item.options.map((option, index) => (
          <div key={option.id} className="flex items-center gap-1.5">
            <TickBox
              aria-label={`Option ${index + 1} is right`}
              checked={right.includes(option.id)}
              onChange={(event) => tick(option.id, event.target.checked)}
            />
            <input
              aria-label={`Option ${index + 1}`}
              className={SMALL_INPUT}
              maxLength={300}
              value={option.text}
              onChange={(event) =>
                set(
                  {
                    options: item.options.map((each) =>
                      each.id === option.id ? { ...each, text: event.target.value } : each,
                    ),
                  },
                  `option ${option.id}`,
                )
              }
            />
            <IconButton
              icon={X}
              label={`Remove option ${index + 1}`}
              disabled={item.options.length === 1}
              onClick={() => set({ options: item.options.filter(({ id }) => id !== option.id) })}
            />
          </div>
        ))}
        <Button
          onClick={() => set({ options: [...item.options, { id: crypto.randomUUID(), text: '' }] })}
          disabled={item.options.length >= 30}
        >
          <Plus size={16} aria-hidden="true" /> Another option
        </Button>
      </fieldset>
      <TickRow label="More than one may be chosen" on={item.many} onChange={(many) => set({ many })} />
      <TickRow label="Side by side" on={item.across} onChange={(across) => set({ across })} />
      <NumberRow
        label="Letter size"
        value={item.size}
        least={4}
        most={300}
        onChange={(size) => set({ size }, 'size')}
      />
      <p className="text-ink-soft">{ONLY_YOU.replace('this', 'the ticks')}</p>
    </>
  )
}
