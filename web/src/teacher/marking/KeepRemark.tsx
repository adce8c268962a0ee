import { asRemark, type Item, readMarks, wordsOfRemark } from '@hand-back/core'
import { Popover } from 'radix-ui'
import { useState } from 'react'
import { StripCard } from '../../page/strip/StripCard.tsx'
import { Button } from '../../ui/Button.tsx'
import { Field } from '../../ui/Field.tsx'
import { saySentence } from '../../ui/notices.ts'
import { useAct } from '../../ui/useAct.ts'
import { keepRemarks } from '../remarks/useRemarks.ts'

/** Keeps the feedback that is picked up under a short name, to be used again. */
export function KeepRemark({ items, unit }: { items: readonly Item[]; unit: string }) {
  const [open, setOpen] = useState(false)
  const [name, setName] = useState<string>()
  const [marks, setMarks] = useState('')
  const carries = marks.trim() === '' ? 0 : readMarks(marks)
  const called = (name ?? wordsOfRemark({ items: [...items] }).slice(0, 60)).trim()
  const keep = useAct(async () => {
    if (carries === undefined) return
    const kept = items.filter(({ kind }) => kind !== 'mark')
    await keepRemarks([{ id: crypto.randomUUID(), name: called, unit, items: asRemark(kept), carries }])
    saySentence(`Kept as “${called}”. R, then its number, puts it down again.`)
    setOpen(false)
    setName(undefined)
    setMarks('')
  })
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button className="w-full">Keep as a remark</Button>
      </Popover.Trigger>
      <StripCard width="20rem" side="left" align="end" className="p-4">
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
          <Field
            label="Marks it gives, if any"
            inputMode="decimal"
            value={marks}
            onChange={(event) => setMarks(event.target.value)}
            problem={carries === undefined ? 'A number, such as ½.' : keep.problem}
          />
          <Button look="main" type="submit" disabled={called === '' || carries === undefined || keep.busy}>
            Keep
          </Button>
        </form>
      </StripCard>
    </Popover.Root>
  )
}
