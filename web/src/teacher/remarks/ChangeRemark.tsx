import { type Remark, sayMarks, wordsOfRemark } from '@hand-back/core'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Field, INPUT } from '../../ui/Field.tsx'
import { useAct } from '../../ui/useAct.ts'
import { CarriesField, carriesIn } from './CarriesField.tsx'
import { changeRemark } from './useRemarks.ts'
import { wordsAsItems } from './wordsRemark.ts'

/** Changes a remark for its next uses: its name, unit, marks, and its words where it is nothing else. */
export function ChangeRemark({ remark, onClose }: { remark: Remark; onClose: () => void }) {
  const isWords = remark.items.length === 1 && remark.items[0]!.kind === 'text'
  const [name, setName] = useState(remark.name)
  const [unit, setUnit] = useState(remark.unit)
  const [words, setWords] = useState(wordsOfRemark(remark))
  const [marks, setMarks] = useState(remark.carries === 0 ? '' : sayMarks(remark.carries))
  const carries = carriesIn(marks)
  const isWrong = name.trim() === '' || carries === undefined || (isWords && words.trim() === '')
  const keep = useAct(async () => {
    if (carries === undefined) return
    const others = isWords && words !== wordsOfRemark(remark) ? { items: wordsAsItems(words.trim()) } : {}
    await changeRemark(remark.id, { name: name.trim(), unit: unit.trim(), carries, ...others })
    onClose()
  })
  return (
    <Dialog open onClose={onClose} title="Change a remark">
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (!isWrong) void keep.run()
        }}
      >
        <Field
          label="Short name"
          maxLength={60}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        {isWords && (
          <label className="flex flex-col gap-1 font-semibold">
            Words
            <textarea
              rows={3}
              maxLength={2000}
              value={words}
              onChange={(event) => setWords(event.target.value)}
              className={`${INPUT} font-normal`}
            />
          </label>
        )}
        <Field label="Unit" maxLength={80} value={unit} onChange={(event) => setUnit(event.target.value)} />
        <CarriesField typed={marks} onType={setMarks} problem={keep.problem} />
        <p className="text-ink-soft">What you gave with it before stays as it is.</p>
        <Button look="main" type="submit" disabled={isWrong || keep.busy}>
          Keep
        </Button>
      </form>
    </Dialog>
  )
}
