import {
  type CopyRow,
  fullOf,
  type HandoutWhole,
  type MarkingWhole,
  type Person,
  type Question,
  type RemarkKept,
  sayMarks,
} from '@hand-back/core'
import { type ReactNode, useCallback, useEffect, useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { useStore } from 'zustand'
import { KeysDialog } from '../../page/keys/KeysDialog.tsx'
import { TEACHER_SWATCHES } from '../../page/strip/swatches.ts'
import { useTools } from '../../page/tools/useTools.ts'
import { Empty, Loading, Trouble } from '../../ui/Notice.tsx'
import { saySentence } from '../../ui/notices.ts'
import { countUse, keepRemarks, useRemarks } from '../remarks/useRemarks.ts'
import { useWindow } from '../room/useWindow.ts'
import { AnswerStrip } from './AnswerStrip.tsx'
import { AnswersHead } from './AnswersHead.tsx'
import { answerActs, NO_MORE_HEAPS } from './answerActs.ts'
import type { AnswerStore } from './answerStore.ts'
import { BundleCard } from './BundleCard.tsx'
import { bundlesOf, type StripOrder, type StripSize, seedOf } from './bundles.ts'
import { DragStrips } from './DragStrips.tsx'
import { HeapCard } from './HeapCard.tsx'
import { InColumns } from './InColumns.tsx'
import { Loose } from './Loose.tsx'
import { StripFocus } from './stripFocus.ts'
import { type Strip, StripReader } from './strips.ts'
import { useAnswerKeys } from './useAnswerKeys.ts'
import type { AnswersHere } from './useAnswers.ts'
import { useHeaps } from './useHeaps.ts'
import { useLikeness } from './useLikeness.ts'
import { useStripLook } from './useStripLook.ts'

interface AnswersBoardProps {
  handout: HandoutWhole
  marking: MarkingWhole
  question: Question
  person: Person
  rows: readonly CopyRow[]
  here: AnswersHere
  store: AnswerStore
}

/** The answers to a question: those in heaps at the left, the others at the right, alike ones together. */
export function AnswersBoard({ handout, marking, question, person, rows, here, store }: AnswersBoardProps) {
  const navigate = useNavigate()
  const { answers, refused } = useStore(store.view)
  const { heaps, change: changeHeaps } = useHeaps(handout.id, question.id)
  const tools = useTools(person, TEACHER_SWATCHES)
  const remarks = useRemarks()
  const [order, setOrder] = useState<StripOrder>('alike')
  const [size, setSize] = useState<StripSize>('small')
  const [more, setMore] = useState(0)
  const [byMouse, setByMouse] = useState(false)
  const { chosen, choose, chooseNone } = useChosen()
  const [remarking, setRemarking] = useState(false)
  /** How often it was asked which look alike. */
  const [turn, setTurn] = useState(0)
  const [ref, room] = useWindow()
  const [focus] = useState(() => new StripFocus())
  const rootRef = useCallback(
    (element: HTMLElement | null) => {
      focus.root = element
      ref(element)
    },
    [focus, ref],
  )
  useEffect(() => {
    if (refused) saySentence(refused)
  }, [refused])

  const [reader] = useState(() => new StripReader())
  const strips = useMemo(
    () =>
      rows.flatMap((row) => {
        const answer = answers.get(row.id)
        return (answer && reader.read(row, answer, question, marking.keys, more)) ?? []
      }),
    [rows, answers, question, marking.keys, more, reader],
  )
  const looksLike = useLikeness(strips, here.all, turn)
  const known = new Set(heaps.heaps.map(({ id }) => id))
  const loose = strips.filter(({ row }) => !known.has(heaps.lies[row.id] ?? ''))
  const bundles = bundlesOf(loose, order, seedOf(question.id), looksLike)
  const acts = useMemo(
    () =>
      answerActs({
        ...{ store, question, heaps, changeHeaps },
        questions: marking.questions,
        carries: tools.carries,
        makeId: () => crypto.randomUUID(),
      }),
    [store, question, marking.questions, heaps, changeHeaps, tools.carries],
  )
  const { heapColumns, columns, look } = useStripLook({
    ...{ question, person, byMouse, size, more },
    handout: handout.id,
    swatch: tools.swatch,
    heaps: heaps.heaps.length,
    roomWidth: room.width,
  })

  const toQuestion = (id: string | undefined) =>
    id && void navigate(`/handout/${handout.id}/question/${id}`, { replace: true })
  const { keys, listed, setListed } = useAnswerKeys({
    ...{ person, focus, store, acts, heaps, question, strips, chosen, choose, chooseNone },
    onRemark: () => setRemarking(true),
    onQuestion: (by) => toQuestion(marking.questions[marking.questions.indexOf(question) + by]?.id),
  })
  const makeHeap = (some: readonly Strip[], name: string) => {
    const heap = acts.make(some, name)
    if (heap === undefined) return saySentence(NO_MORE_HEAPS)
    requestAnimationFrame(() => focus.toNameOf(heap))
  }
  const dropped = (copy: string, heap: string) => {
    const strip = strips.find(({ row }) => row.id === copy)
    if (!strip) return
    const some = chosen.has(copy) ? strips.filter(({ row }) => chosen.has(row.id)) : [strip]
    if (heap === 'new') makeHeap(some, strip.answered.words)
    else acts.put(some, heap === 'none' ? null : heap)
    chooseNone()
  }
  const usedRemark = (remark: RemarkKept, isNew: boolean, times: number) => {
    const counted = () => {
      for (let time = 0; time < times; time++) countUse(remark.id, question.id)
    }
    if (isNew) void keepRemarks([remark]).then(counted, () => {})
    else counted()
  }
  const written = remarks.filter(({ items }) => items.every(({ kind }) => kind !== 'voice'))
  const nextMarks = useCallback((copy: string) => focus.toMarks(focus.after(copy)), [focus])
  const stripOf = (strip: Strip): ReactNode => (
    <AnswerStrip
      key={strip.row.id}
      {...{ strip, look, acts }}
      chosen={chosen.has(strip.row.id)}
      onChoose={choose}
      onNext={nextMarks}
    />
  )
  const full = fullOf(question)
  const common = { acts, full, step: look.step, fullWords: sayMarks(full) }
  return (
    <div className="flex h-full flex-col">
      <AnswersHead
        {...{ handout, question, order, size, more, byMouse, store, person, remarking }}
        questions={marking.questions}
        of={strips.length}
        left={strips.filter(({ mark, writes }) => writes && !mark).length}
        chosen={strips.filter(({ row }) => chosen.has(row.id))}
        remarks={written}
        onRemarking={(opens) => {
          if (opens) focus.last = focus.copy ?? focus.last
          setRemarking(opens)
        }}
        onRemark={(remark, isNew) => {
          const strip = strips.find(({ row }) => row.id === focus.last)
          if (!strip) return saySentence('Press an answer first: the remark goes to it.')
          acts.remark(strip, remark)
          usedRemark(remark, isNew, 1)
        }}
        onClosed={() => focus.to(focus.last)}
        onQuestion={toQuestion}
        onOrder={(to) => {
          setOrder(to)
          setTurn(turn + 1)
        }}
        onSize={setSize}
        onMore={setMore}
        onByMouse={setByMouse}
        onKeys={() => setListed(true)}
      />
      <DragStrips onDrop={dropped}>
        <main
          ref={rootRef}
          aria-label={`Answers to question ${question.label}`}
          className="flex min-h-0 flex-1 overflow-hidden"
        >
          {heapColumns > 0 && (
            <div
              data-scrolls
              className="overflow-y-auto bg-blotter p-3 will-change-transform"
              style={{ width: `${(100 * heapColumns) / (heapColumns + columns)}%` }}
            >
              <InColumns count={heapColumns}>
                {heaps.heaps.map((heap, at) => (
                  <HeapCard
                    key={heap.id}
                    {...{ ...common, heap, question }}
                    number={at + 1}
                    strips={strips.filter(({ row }) => heaps.lies[row.id] === heap.id)}
                    remarks={written}
                    onRemark={usedRemark}
                  >
                    {stripOf}
                  </HeapCard>
                ))}
              </InColumns>
            </div>
          )}
          <Loose
            head={heapColumns > 0}
            count={loose.length}
            reckons={here.all && looksLike === undefined && order === 'alike'}
          >
            {here.error !== undefined && <Trouble error={here.error} again={here.again} />}
            {!here.all && here.error === undefined && <Loading />}
            {here.all && strips.length === 0 && (
              <Empty title="Nobody has this question">Hand it out, and come back.</Empty>
            )}
            <InColumns count={columns}>
              {bundles.map((bundle) => (
                <BundleCard
                  key={`${bundle.kind} ${bundle.strips[0]!.row.id}`}
                  {...{ ...common, bundle }}
                  onHeap={makeHeap}
                >
                  {stripOf}
                </BundleCard>
              ))}
            </InColumns>
          </Loose>
        </main>
      </DragStrips>
      {listed && <KeysDialog person={person} groups={[keys]} onClose={() => setListed(false)} />}
    </div>
  )
}

/** The strips that something is done with together, by their copies. */
function useChosen() {
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const choose = useCallback(
    (copy: string, is: boolean) =>
      setChosen((before) => new Set(is ? [...before, copy] : [...before].filter((each) => each !== copy))),
    [],
  )
  return { chosen, choose, chooseNone: () => setChosen(new Set()) }
}
