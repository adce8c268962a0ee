import { offered, type Remark, type RemarkKept, sayMarks, wordsOfRemark } from '@hand-back/core'
import { MessageSquareText } from 'lucide-react'
import { type KeyboardEvent, useState } from 'react'
import { Link } from 'react-router'
import { OpensCard } from '../../page/strip/OpensCard.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { RowButton } from '../../ui/RowButton.tsx'
import { wordsRemark } from '../remarks/wordsRemark.ts'

interface RemarkChooserProps {
  remarks: readonly Remark[]
  /** The question that a remark goes to, and what it is called. */
  question: { readonly id: string; readonly label: string } | undefined
  open: boolean
  onOpen: (open: boolean) => void
  /** It is closed: where the focus goes then. */
  onClosed: (event: Event) => void
  onUse: (remark: RemarkKept, isNew: boolean) => void
}

/** The kind of what is dragged, as a drop on the page knows it. */
export const REMARK_DRAG = 'application/x-hand-back-remark'

/** So many are shown; more are found by a few letters. */
const MOST_SHOWN = 9

/** One's remarks, those first that were used at this question: a number or a press puts one down, letters find one. */
export function RemarkChooser({ remarks, question, open, onOpen, onClosed, onUse }: RemarkChooserProps) {
  return (
    <OpensCard
      open={open}
      onOpen={onOpen}
      width="23rem"
      side="left"
      align="end"
      className="p-3"
      onCloseAutoFocus={onClosed}
      button={
        <button
          type="button"
          title="R, then a number"
          className="inline-flex min-h-[38px] pointer-coarse:min-h-11 w-full items-center justify-center gap-2 rounded-tag border border-rule bg-sheet px-3 font-semibold hover:border-ink-soft"
        >
          <MessageSquareText size={18} aria-hidden="true" />
          Remarks
        </button>
      }
    >
      <Found remarks={remarks} question={question} onUse={onUse} onClose={() => onOpen(false)} />
    </OpensCard>
  )
}

function Found({
  remarks,
  question,
  onUse,
  onClose,
}: Pick<RemarkChooserProps, 'remarks' | 'question' | 'onUse'> & { onClose: () => void }) {
  const [wanted, setWanted] = useState('')
  const small = wanted.trim().toLowerCase()
  const found = offered(remarks, question?.id)
    .filter((remark) => `${remark.name}\n${wordsOfRemark(remark)}`.toLowerCase().includes(small))
    .slice(0, MOST_SHOWN)
  const use = (remark: Remark | undefined) => {
    onClose()
    if (remark) onUse(remark, false)
    else if (small !== '') onUse(wordsRemark(wanted), true)
  }
  const press = (event: KeyboardEvent) => {
    const number = Number(event.key)
    if (wanted === '' && number >= 1 && number <= found.length) {
      event.preventDefault()
      use(found[number - 1])
    } else if (event.key === 'Enter') use(found[0])
  }
  return (
    <div className="flex flex-col gap-2">
      <input
        aria-label="Find a remark, or write a new one"
        placeholder={remarks.length === 0 ? 'Write your first remark' : 'A number, or letters of it'}
        value={wanted}
        maxLength={500}
        onChange={(event) => setWanted(event.target.value)}
        onKeyDown={press}
        className={INPUT}
      />
      <ol aria-label={question ? `Remarks for question ${question.label}` : 'Remarks'}>
        {found.map((remark, index) => (
          <li key={remark.id}>
            <RowButton
              draggable
              onDragStart={(event) => event.dataTransfer.setData(REMARK_DRAG, remark.id)}
              onClick={() => use(remark)}
              className="items-baseline gap-2 rounded-tag px-2 py-1.5"
            >
              <b className="tabular w-[1.5ch] text-ink-soft">{wanted === '' ? index + 1 : ''}</b>
              <span className="min-w-0 flex-1">
                <b className="block truncate">{remark.name}</b>
                <Words of={remark} />
              </span>
              {remark.carries > 0 && <b className="text-madder">+{sayMarks(remark.carries)}</b>}
              <span className="tabular whitespace-nowrap text-small text-ink-soft">
                {remark.uses === 0 ? 'new' : `${remark.uses} ×`}
              </span>
            </RowButton>
          </li>
        ))}
      </ol>
      {small !== '' && (
        <RowButton
          onClick={() => use(undefined)}
          className="rounded-tag px-2 py-1.5 font-semibold text-madder"
        >
          Write “{wanted.trim()}” and keep it
        </RowButton>
      )}
      {found.length === 0 && small === '' && (
        <p className="px-2 text-ink-soft">
          Words you write here go on the page and are kept. Ink and signs: pick them up, then “Keep as a
          remark”.
        </p>
      )}
      <Link to="/remarks" className="px-2 py-1 text-verdigris underline underline-offset-4">
        All my remarks
      </Link>
    </div>
  )
}

/** Its words, where they say more than its name. */
function Words({ of }: { of: Remark }) {
  const words = wordsOfRemark(of)
  if (words === '') return <span className="block text-small text-ink-soft">ink and signs</span>
  return words === of.name ? null : <span className="block truncate text-small text-ink-soft">{words}</span>
}
