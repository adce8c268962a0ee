import type { HandoutWhole, ParcelForm, Question } from '@hand-back/core'
import { useState } from 'react'
import { wishParcel } from '../../parcels/useParcels.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { saySentence } from '../../ui/notices.ts'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { Tick } from '../../ui/Tick.tsx'

interface TakeCopiesAwayProps {
  handout: Pick<HandoutWhole, 'id' | 'title'>
  questions: readonly Pick<Question, 'id' | 'label'>[]
  /** Only this copy. */
  copy?: { readonly id: string; readonly name: string } | undefined
  onClose: () => void
}

const FORMS: Readonly<Record<ParcelForm, readonly [string, string]>> = {
  one: ['One PDF', 'all copies, one after the other'],
  each: ['A PDF for each', 'in one ZIP, called by the students’ names'],
}

/** Takes copies of a hand-out away as they are now: how, is chosen here; they are packed in the background. */
export function TakeCopiesAway({ handout, questions, copy, onClose }: TakeCopiesAwayProps) {
  const [form, setForm] = useState<ParcelForm>('one')
  const [question, setQuestion] = useState('')
  const [marks, setMarks] = useState(true)
  const [cover, setCover] = useState(true)
  const [twoASheet, setTwo] = useState(false)
  const [recordings, setRecordings] = useState(!copy)
  const [busy, setBusy] = useState(false)
  const whole = question === ''
  // One copy is a PDF, unless there are files beside it.
  const asZip = whole && (copy ? recordings : form === 'each')
  const begin = async () => {
    setBusy(true)
    const begun = await wishParcel({
      of: 'handout',
      handout: handout.id,
      form: asZip ? 'each' : 'one',
      marks,
      cover: whole && cover,
      twoASheet: whole && twoASheet,
      recordings: asZip && recordings,
      ...(whole ? {} : { question }),
      ...(copy ? { copies: [copy.id] } : {}),
    })
    setBusy(false)
    if (!begun) return
    saySentence('It is being packed. You can go on: it is kept at the top of the screen.')
    onClose()
  }
  return (
    <Dialog open onClose={onClose} title={copy ? `Take ${copy.name}’s copy away` : 'Take the copies away'}>
      <div className="grid gap-4">
        {!copy && questions.length > 0 && (
          <label className="flex items-center gap-3 font-semibold">
            What?
            <select
              value={question}
              onChange={({ target }) => setQuestion(target.value)}
              className={`${INPUT} font-normal`}
            >
              <option value="">the whole copies</option>
              {questions.map(({ id, label }) => (
                <option key={id} value={id}>
                  only the answers to question {label}
                </option>
              ))}
            </select>
          </label>
        )}
        {whole && !copy && (
          <OneOf label="In which form" value={form} onChoose={setForm} className="grid gap-2">
            {(Object.keys(FORMS) as ParcelForm[]).map((each) => (
              <Option
                key={each}
                value={each}
                className={`min-h-[52px] rounded-tag border bg-sheet px-3 py-2 text-left ${form === each ? 'border-ink outline-2 outline-ink' : 'border-rule'}`}
              >
                <b>{FORMS[each][0]}</b> <span className="text-ink-soft">{FORMS[each][1]}</span>
              </Option>
            ))}
          </OneOf>
        )}
        {whole && (
          <div>
            <Tick ticked={marks} onTick={setMarks}>
              With the marks at the edge of the pages
            </Tick>
            <Tick ticked={cover} onTick={setCover}>
              A cover: what all comes to, the rubric, the remarks written out
            </Tick>
            <Tick ticked={twoASheet} onTick={setTwo}>
              Two pages on a sheet, to save paper
            </Tick>
            {(form === 'each' || copy) && (
              <Tick ticked={recordings} onTick={setRecordings}>
                What was spoken and filmed, as files beside it{copy ? ' (in a ZIP)' : ''}
              </Tick>
            )}
          </div>
        )}
        <Button look="main" large disabled={busy} onClick={() => void begin()}>
          Pack {copy ? 'it' : 'them'}
        </Button>
      </div>
    </Dialog>
  )
}
