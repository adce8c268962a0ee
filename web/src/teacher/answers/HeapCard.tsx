import { useDroppable } from '@dnd-kit/core'
import { type Heap, type HeapRemark, type Remark, type RemarkKept, wordsOfRemark } from '@hand-back/core'
import { X } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import { IconButton } from '../../ui/IconButton.tsx'
import { TextButton } from '../../ui/TextButton.tsx'
import { RemarkChooser } from '../marking/RemarkChooser.tsx'
import type { AnswerActs } from './answerActs.ts'
import { StripMark } from './StripMark.tsx'
import type { Strip } from './strips.ts'

interface HeapCardProps {
  heap: Heap
  /** Its key, from 1; nothing beyond 9. */
  number: number
  strips: readonly Strip[]
  acts: AnswerActs
  remarks: readonly Remark[]
  question: { readonly id: string; readonly label: string }
  full: number
  step: number
  fullWords: string
  /** It was given to so many. */
  onRemark: (remark: RemarkKept, isNew: boolean, times: number) => void
  /** The strip of an answer. */
  children: (strip: Strip) => ReactNode
}

/** So many strips of a heap are seen before one asks for the rest. */
const SEEN = 4

/** A heap of answers that are alike: its name, the marks and the remark that all of it are given, and its strips. */
export function HeapCard(props: HeapCardProps) {
  const { heap, number, strips, acts, remarks, question, full, step, fullWords, onRemark, children } = props
  const { setNodeRef, isOver } = useDroppable({ id: heap.id })
  const [all, setAll] = useState(false)
  const [choosing, setChoosing] = useState(false)
  const [name, setName] = useState<string>()
  const seen = all ? strips : strips.slice(0, SEEN)
  const keepName = () => {
    if (name !== undefined && name.trim() !== heap.name) acts.name(heap, name.trim())
    setName(undefined)
  }
  const called = heap.name || `heap ${number}`
  return (
    <section
      ref={setNodeRef}
      aria-label={`Heap ${number}: ${called}`}
      className={`rounded-md border bg-card p-3 ${isOver ? 'border-verdigris outline outline-2 outline-verdigris' : 'border-rule'}`}
    >
      <div className="flex items-center gap-2">
        <b className="font-serif text-lg text-madder">{number}</b>
        <input
          aria-label={`Name of heap ${number}`}
          data-heap-name={heap.id}
          value={name ?? heap.name}
          maxLength={80}
          placeholder="Name it: right, added instead …"
          onChange={({ target }) => setName(target.value)}
          onBlur={keepName}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur()
          }}
          className="min-w-0 flex-1 rounded-tag border border-transparent bg-transparent px-1 font-serif text-lg font-semibold placeholder:font-normal placeholder:text-ink-soft hover:border-rule focus:border-rule focus:bg-sheet"
        />
        <span className="whitespace-nowrap text-ink-soft">{sayCopies(strips.length)}</span>
        <IconButton icon={X} label={`Take heap ${number} apart`} onClick={() => acts.drop(heap)} />
      </div>
      <div className="mt-2 flex items-center gap-2">
        <StripMark
          name={`Marks of heap ${number}`}
          given={heap.given ?? undefined}
          full={full}
          step={step}
          onGive={(given) => acts.giveHeap(heap, strips, given)}
          onTake={() => acts.giveHeap(heap, strips, null)}
          onNext={() => {}}
        />
        <span className="whitespace-nowrap text-ink-soft">
          of {fullWords}, to all {strips.length}
        </span>
        <span className="min-w-0 flex-1">
          <RemarkChooser
            remarks={remarks}
            question={question}
            open={choosing}
            onOpen={setChoosing}
            onClosed={() => {}}
            onUse={(remark, isNew) => {
              acts.remarkHeap(heap, strips, asHeapRemark(remark))
              onRemark(remark, isNew, strips.length)
            }}
          />
        </span>
      </div>
      {heap.remark && (
        <p className="mt-2 flex items-center gap-2 border-l-[3px] border-madder bg-sheet px-3 py-1.5">
          <span className="min-w-0 flex-1">
            <b className="block truncate">{heap.remark.name}</b>
            <span className="block truncate text-small text-ink-soft">{wordsOfRemark(heap.remark)}</span>
          </span>
          <IconButton
            icon={X}
            label={`Take the remark from heap ${number}`}
            onClick={() => acts.remarkHeap(heap, strips, null)}
          />
        </p>
      )}
      <div className="mt-2 grid gap-1">
        {seen.map(children)}
        {strips.length === 0 && (
          <p className="px-1 py-3 text-ink-soft">Drop answers here, or press {number}.</p>
        )}
        {strips.length > SEEN && (
          <TextButton onClick={() => setAll(!all)}>
            {all ? 'Show fewer' : `${strips.length - SEEN} more`}
          </TextButton>
        )}
      </div>
    </section>
  )
}

/** A remark as a heap keeps it. What is spoken belongs to one copy, and is not given to many. */
const asHeapRemark = ({ id, name, items }: RemarkKept): HeapRemark => ({ id, name, items })

export const sayCopies = (count: number): string => (count === 1 ? '1 copy' : `${count} copies`)
