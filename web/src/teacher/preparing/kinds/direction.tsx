import { TONES, type Tone } from '@hand-back/core'
import { OneOf, Option } from '../../../ui/OneOf.tsx'
import { NumberRow, TextRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const direction = {
  name: () => 'Direction',
  group: 'Tell',
  list: {
    direction: { name: 'Direction', put: { size: [80, 12] } },
  },
  Panel,
} satisfies TeacherKind<'direction'>

function Panel({ item, set }: PanelProps<'direction'>) {
  return (
    <>
      <TextRow
        label="What to do"
        lines={4}
        first
        value={item.text}
        longest={20_000}
        onChange={(text) => set({ text }, 'text')}
      />
      <NumberRow
        label="Size"
        value={item.size}
        least={4}
        most={300}
        onChange={(size) => set({ size }, 'size')}
      />
      <div className="flex flex-col gap-1">
        <span>Colour</span>
        <OneOf label="Colour" value={item.tone} onChoose={(tone) => set({ tone })} className="flex gap-1.5">
          {(Object.keys(TONES) as Tone[]).map((tone) => (
            <Option
              key={tone}
              value={tone}
              aria-label={tone}
              className={`h-[30px] w-[38px] rounded-tag border ${item.tone === tone ? 'border-2 border-ink' : 'border-rule'}`}
              style={{ background: TONES[tone][1] }}
            />
          ))}
        </OneOf>
      </div>
    </>
  )
}
