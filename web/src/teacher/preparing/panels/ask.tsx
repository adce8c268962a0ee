import {
  type AnswerKey,
  type CardFace,
  lenientKey,
  type Printed,
  type PrintedItem,
  type TypedKey,
} from '@hand-back/core'
import { Plus, X } from 'lucide-react'
import { useStore } from 'zustand'
import { Button } from '../../../ui/Button.tsx'
import { usePreparing } from '../context.ts'
import { pageAt } from '../sheetStore.ts'
import { ChoiceRow, NumberRow, SMALL_INPUT, TextRow, TickRow } from './rows.tsx'
import type { SetOf } from './tell.tsx'

/** The key of a place, and how to change it. Only the teacher sees it. */
function useKey(place: string) {
  const { store } = usePreparing()
  const key = useStore(store.view, ({ sheet }) => sheet.keys[place])
  const setKey = (next: AnswerKey | undefined) =>
    store.change((sheet) => {
      const { [place]: _before, ...keys } = sheet.keys
      return { ...sheet, keys: next ? { ...keys, [place]: next } : keys }
    }, `key ${place}`)
  return [key, setKey] as const
}

const ONLY_YOU = 'Only you see this.'

export function TypedPanel({ item, set }: { item: Printed<'typed'>; set: SetOf<Printed<'typed'>> }) {
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
        label="Letters"
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

export function ChoicePanel({ item, set }: { item: Printed<'choice'>; set: SetOf<Printed<'choice'>> }) {
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
            <input
              type="checkbox"
              aria-label={`Option ${index + 1} is right`}
              className="h-[18px] w-[18px] accent-verdigris"
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
            <button
              type="button"
              aria-label={`Take option ${index + 1} away`}
              disabled={item.options.length === 1}
              onClick={() => set({ options: item.options.filter(({ id }) => id !== option.id) })}
              className="grid h-8 w-8 shrink-0 place-items-center rounded-tag text-ink-soft hover:text-madder disabled:opacity-40"
            >
              <X size={16} aria-hidden="true" />
            </button>
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
        label="Letters"
        value={item.size}
        least={4}
        most={300}
        onChange={(size) => set({ size }, 'size')}
      />
      <p className="text-ink-soft">{ONLY_YOU.replace('this', 'the ticks')}</p>
    </>
  )
}

export function DropPanel({ item, set }: { item: Printed<'drop'>; set: SetOf<Printed<'drop'>> }) {
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
      <p className="text-ink-soft">{ONLY_YOU} Wrong cards are welcome.</p>
    </>
  )
}

function sayFace(face: CardFace): string {
  if (face.kind === 'text') return face.text || 'empty card'
  return face.kind === 'picture' ? face.alt || 'a picture' : face.latex
}

export function LabelPanel({
  item,
  set,
}: {
  item: Printed<'speak' | 'photo'>
  set: SetOf<Printed<'speak' | 'photo'>>
}) {
  return (
    <TextRow
      label="Label"
      first
      value={item.label}
      onChange={(label) => set({ label } as Partial<PrintedItem> & Partial<typeof item>, 'label')}
    />
  )
}
