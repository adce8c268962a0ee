import { printAt } from '@hand-back/core'
import { Printer } from 'lucide-react'
import { useState } from 'react'
import { Dialog } from '../../ui/Dialog.tsx'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { Tick } from '../../ui/Tick.tsx'

interface PrintDialogProps {
  /** What is printed, as a title. */
  title: string
  /** Where its PDF is made. */
  address: string
  /** What can be chosen between, full and empty; left out: it is empty in any case. */
  choice?: { readonly full: string; readonly empty: string }
  /** What stands at the head of every page when that is wanted. */
  head: string
  /** Each page can carry a code that says whose it is: what is printed belongs to copies. */
  codes?: boolean
  onClose: () => void
}

/** For paper: a PDF at true size, with what is on the pages or without, with names or without. */
export function PrintDialog({ title, address, choice, head, codes = false, onClose }: PrintDialogProps) {
  const [empty, setEmpty] = useState(false)
  const [named, setNamed] = useState(true)
  const [coded, setCoded] = useState(true)
  return (
    <Dialog open onClose={onClose} title={title}>
      <div className="grid gap-4">
        {choice && (
          <OneOf
            label="What is printed"
            value={empty ? 'empty' : 'full'}
            onChoose={(value) => setEmpty(value === 'empty')}
            className="grid grid-cols-2 gap-2 max-phone:grid-cols-1"
          >
            <Choice value="full" words={choice.full} chosen={!empty} />
            <Choice value="empty" words={choice.empty} chosen={empty} />
          </OneOf>
        )}
        <Tick ticked={named} onTick={setNamed}>
          {head}
        </Tick>
        {codes && (
          <Tick ticked={coded} onTick={setCoded}>
            A small code on each page: a photo of it finds its way back
          </Tick>
        )}
        <a
          href={printAt(address, { empty: choice !== undefined && empty, named, coded: codes && coded })}
          download
          className="inline-flex min-h-11 items-center justify-center gap-2 rounded-tag border border-verdigris bg-verdigris px-3.5 font-semibold text-sheet no-underline hover:bg-verdigris-deep"
        >
          <Printer size={18} aria-hidden="true" /> Make the PDF
        </a>
        <p className="text-ink-soft">
          It opens on this device. Print it at 100 %: then lengths on the paper are true.
        </p>
      </div>
    </Dialog>
  )
}

function Choice({ value, words, chosen }: { value: string; words: string; chosen: boolean }) {
  return (
    <Option
      value={value}
      className={`min-h-[52px] rounded-tag border bg-sheet px-3 py-2 text-left font-semibold ${chosen ? 'border-ink outline-2 outline-ink' : 'border-rule'}`}
    >
      {words}
    </Option>
  )
}
