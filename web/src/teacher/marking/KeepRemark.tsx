import { asRemark, type Item, sayMarks, type VoiceNote, wordsOfRemark } from '@hand-back/core'
import { useState } from 'react'
import { OpensCard } from '../../page/strip/OpensCard.tsx'
import { sayLength } from '../../page/voice/sayLength.ts'
import { soundAt } from '../../page/voice/soundAt.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Field } from '../../ui/Field.tsx'
import { saySentence } from '../../ui/notices.ts'
import { useAct } from '../../ui/useAct.ts'
import { CarriesField, carriesIn } from '../remarks/CarriesField.tsx'
import { keptAloud } from '../remarks/spokenRemark.ts'
import { keepRemarks } from '../remarks/useRemarks.ts'

/** Keeps the feedback that is picked up under a short name, to be used again. */
export function KeepRemark({ items, unit }: { items: readonly Item[]; unit: string }) {
  const [open, setOpen] = useState(false)
  return (
    <OpensCard
      open={open}
      onOpen={setOpen}
      button={<Button className="w-full">Keep as a remark</Button>}
      width="20rem"
      side="left"
      align="end"
      className="p-4"
    >
      <RemarkForm items={items} unit={unit} onKept={() => setOpen(false)} />
    </OpensCard>
  )
}

interface KeepSpokenProps {
  note: VoiceNote
  unit: string
  /** Its sound, or where that is to be had. */
  sound: Blob | string
  onClose: () => void
}

/** The same with what was spoken. */
export function KeepSpoken({ note, unit, sound, onClose }: KeepSpokenProps) {
  return (
    <Dialog open onClose={onClose} title={`Keep these ${sayLength(note.seconds)} as a remark`}>
      <RemarkForm
        items={[note]}
        ready={async () => [await keptAloud(note, typeof sound === 'string' ? await soundAt(sound) : sound)]}
        unit={unit}
        onKept={onClose}
      />
    </Dialog>
  )
}

interface RemarkFormProps {
  items: readonly Item[]
  unit: string
  /** What is kept of them, where it is not they themselves. */
  ready?: () => Promise<readonly Item[]>
  onKept: () => void
}

function RemarkForm({ items, unit, ready, onKept }: RemarkFormProps) {
  const [name, setName] = useState<string>()
  const [typed, setMarks] = useState<string>()
  const marks = typed ?? sayCarried(items)
  const carries = carriesIn(marks)
  const called = (name ?? wordsOfRemark({ items: [...items] }).slice(0, 60)).trim()
  const keep = useAct(async () => {
    if (carries === undefined) return
    const kept = ((await ready?.()) ?? items).flatMap(withoutMarks)
    await keepRemarks([{ id: crypto.randomUUID(), name: called, unit, items: asRemark(kept), carries }])
    saySentence(`Kept as “${called}”. R, then its number, puts it down again.`)
    onKept()
  })
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (called !== '') void keep.run()
      }}
    >
      <Field
        label="Short name"
        maxLength={60}
        value={name ?? called}
        onChange={(event) => setName(event.target.value)}
      />
      <CarriesField typed={marks} onType={setMarks} problem={keep.problem} />
      <Button look="main" type="submit" disabled={called === '' || carries === undefined || keep.busy}>
        Keep
      </Button>
    </form>
  )
}

/** What the signs among them give, as it is typed; nothing where they give none. */
function sayCarried(items: readonly Item[]): string {
  const carried = items.reduce((sum, item) => sum + (item.kind === 'sign' ? (item.carries ?? 0) : 0), 0)
  return carried === 0 ? '' : sayMarks(carried)
}

/** The remark itself gives the marks: its signs do not give them once more. */
function withoutMarks(item: Item): Item[] {
  if (item.kind === 'mark') return []
  if (item.kind !== 'sign') return [item]
  const { carries: _carries, ...sign } = item
  return [sign]
}
