import type { CardFace, Printed } from '@hand-back/core'
import { useStore } from 'zustand'
import { usePreparing } from '../context.ts'
import { TextRow, TickRow } from '../panels/rows.tsx'
import { ONLY_YOU, useKey } from '../panels/useKey.ts'
import { pageAt } from '../sheetStore.ts'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const drop = {
  name: () => 'Drop place',
  group: 'Ask',
  list: {
    drop: { name: 'Drop place', put: { size: [45, 20] } },
  },
  Panel,
} satisfies TeacherKind<'drop'>

function Panel({ item, set }: PanelProps<'drop'>) {
  const { store } = usePreparing()
  const page = useStore(store.view, pageAt)
  const [key, setKey] = useKey(item.id)
  const right = key?.kind === 'cards' ? key.cards : []
  const cards = page.printed.filter((each): each is Printed<'card'> => each.kind === 'card')
  return (
    <>
      <TextRow label="Label" first value={item.label} onChange={(label) => set({ label }, 'label')} />
      <fieldset className="flex flex-col gap-0.5">
        <legend className="mb-1">Cards that belong here</legend>
        {cards.length === 0 && (
          <p className="text-ink-soft">Put cards on the page; then tick those that fit.</p>
        )}
        {cards.map((card) => (
          <TickRow
            key={card.id}
            label={sayFace(card.face)}
            on={right.includes(card.id)}
            onChange={(on) => {
              const next = cards
                .map(({ id }) => id)
                .filter((id) => (id === card.id ? on : right.includes(id)))
              setKey(next.length > 0 ? { kind: 'cards', cards: next } : undefined)
            }}
          />
        ))}
      </fieldset>
      <p className="text-ink-soft">{ONLY_YOU} Cards that do not belong here can still be dropped here.</p>
    </>
  )
}

function sayFace(face: CardFace): string {
  if (face.kind === 'text') return face.text || 'empty card'
  return face.kind === 'picture' ? face.alt || 'a picture' : face.latex
}
