import {
  giving,
  givingRemark,
  type Heap,
  type HeapAct,
  type HeapRemark,
  type Heaps,
  type Item,
  MOST_HEAPS,
  type Question,
  type RemarkKept,
  type Sign,
  type SignForm,
  type Stroke,
  signAlong,
  signPlace,
  takingRemark,
  timesA4,
} from '@hand-back/core'
import { type AnswerStore, feedbackOn, type OnCopy, workOn } from './answerStore.ts'
import type { Strip } from './strips.ts'

export interface AnswerActsOn {
  readonly store: AnswerStore
  readonly question: Question
  /** All questions of the hand-out: marks stand beside each other. */
  readonly questions: readonly Question[]
  readonly heaps: Heaps
  readonly changeHeaps: (act: HeapAct) => void
  /** The marks that signs give, in hundredths. */
  readonly carries: Readonly<Partial<Record<SignForm, number>>>
  readonly makeId: () => string
}

/** Said where a heap more is wanted than can be. */
export const NO_MORE_HEAPS = 'There are as many heaps as can be. Take one apart first.'

/** What is done to answers, each as one act to whoever undoes it: to one strip, to several, to a heap. */
export type AnswerActs = ReturnType<typeof answerActs>

export function answerActs({
  store,
  question,
  questions,
  heaps,
  changeHeaps,
  carries,
  makeId,
}: AnswerActsOn) {
  const heapOf = ({ row }: Strip) => heaps.heaps.find(({ id }) => id === heaps.lies[row.id])
  const marking = (strip: Strip, given: number | null): OnCopy[] => {
    const { row, answer, writes } = strip
    const itemOn = (page: string, id: string) => store.itemOn(row.id, page, id)
    const done = writes && giving(row.id, row.round, question, answer.pages, given, questions, itemOn)
    return done ? [{ copy: row.id, ...done }] : []
  }
  const remarking = (strip: Strip, heap: Heap, remark: HeapRemark | null): OnCopy[] => {
    const { row, answer, parts, writes } = strip
    const [part] = parts
    const now = part && answer.log.get(part.page.id)
    if (!part || !writes) return []
    const of = { copy: row.id, heap: heap.id, round: row.round }
    const lies = now ?? { placed: new Map(), applied: new Set<string>() }
    const acts =
      remark === null
        ? heap.remark
          ? takingRemark(heap.remark, of, part.page.id, lies)
          : []
        : givingRemark(remark, of, { page: part.page, area: part.area, now: lies }, ...around(strip))
    return acts.map((act) => ({ copy: row.id, ...act }))
  }
  const act = (strips: readonly Strip[], acts: readonly OnCopy[], heapActs: readonly HeapAct[] = []) => {
    const rounds = new Map(strips.map(({ row }) => [row.id, row.round]))
    const before = heapActs.length > 0 ? backTo(heaps, heapActs) : []
    for (const each of heapActs) changeHeaps(each)
    store.act(acts, (copy) => rounds.get(copy) ?? 1, {
      ...(heapActs.length > 0
        ? {
            undo: () => before.forEach(changeHeaps),
            redo: () => heapActs.forEach(changeHeaps),
          }
        : {}),
    })
  }
  /** What comes of a copy going from one heap to another: what the one gave goes, what the other gives comes. */
  const moving = (strip: Strip, to: Heap | undefined): OnCopy[] => {
    const from = heapOf(strip)
    if (from?.id === to?.id) return []
    const byHeap = from !== undefined && from.given !== null && strip.mark?.given === from.given
    const given = to?.given ?? null
    const marks =
      given !== null && (strip.mark === undefined || byHeap)
        ? marking(strip, given)
        : byHeap && given === null
          ? marking(strip, null)
          : []
    return [
      ...marks,
      ...(from?.remark ? remarking(strip, from, null) : []),
      ...(to?.remark ? remarking(strip, to, to.remark) : []),
    ]
  }
  return {
    give: (strips: readonly Strip[], given: number | null) =>
      act(
        strips,
        strips.flatMap((strip) => marking(strip, given)),
      ),
    put(strips: readonly Strip[], heap: string | null) {
      const to = heaps.heaps.find(({ id }) => id === heap)
      act(
        strips,
        strips.flatMap((strip) => moving(strip, to)),
        [{ act: 'put', copies: strips.map(({ row }) => row.id), heap }],
      )
    },
    /** Returns the id of the new heap; nothing where there are as many as can be. */
    make(strips: readonly Strip[], name: string): string | undefined {
      if (heaps.heaps.length >= MOST_HEAPS) return undefined
      const heap = makeId()
      act(
        strips,
        strips.flatMap((strip) => moving(strip, undefined)),
        [{ act: 'make', heap, name, copies: strips.map(({ row }) => row.id) }],
      )
      return heap
    },
    name: (heap: Heap, name: string) => act([], [], [{ act: 'name', heap: heap.id, name }]),
    /** The strips keep what they were given: only the heap is gone. */
    drop: (heap: Heap) => act([], [], [{ act: 'drop', heap: heap.id }]),
    giveHeap: (heap: Heap, strips: readonly Strip[], given: number | null) =>
      act(
        strips,
        strips.flatMap((strip) => marking(strip, given)),
        [{ act: 'give', heap: heap.id, given }],
      ),
    remarkHeap(heap: Heap, strips: readonly Strip[], remark: HeapRemark | null) {
      // Given again it stays, and comes to those that have it not.
      const isNew = heap.remark?.id !== remark?.id
      const acts = strips.flatMap((strip) => [
        ...(heap.remark && isNew ? remarking(strip, heap, null) : []),
        ...(remark ? remarking(strip, heap, remark) : []),
      ])
      act(strips, acts, [{ act: 'remark', heap: heap.id, remark }])
    },
    /** A remark to one alone: under what was written, with the marks that it gives. */
    remark(strip: Strip, remark: RemarkKept) {
      const heap: Heap = { id: makeId(), name: '', given: null, remark: null }
      const items = remark.items.map((item) => ({ ...item, id: makeId() }))
      const given = remark.carries > 0 ? marking(strip, more(strip, remark.carries)) : []
      act([strip], [...remarking(strip, heap, { id: remark.id, name: remark.name, items }), ...given])
    },
    sign(strip: Strip, form: SignForm) {
      const [part] = strip.parts
      if (!part || !strip.writes) return
      const gives = carries[form] ?? 0
      const there = feedbackOn(strip.answer, part.page.id).filter(
        (item): item is Sign => item.kind === 'sign' && part.items.includes(item) && isIn(item, part.area),
      )
      const made = signAlong(
        form,
        signPlace(form, part.area, there.length),
        part.page,
        timesA4(part.page),
        gives,
      )
      const add: OnCopy = {
        copy: strip.row.id,
        page: part.page.id,
        act: { act: 'add', items: [{ ...made, id: makeId() }] },
      }
      act([strip], [add, ...(gives > 0 ? marking(strip, more(strip, gives)) : [])])
    },
    write: (strip: Strip, page: string, stroke: Stroke) =>
      act([strip], [{ copy: strip.row.id, page, act: { act: 'add', items: [stroke] } }]),
    rubOut: (strip: Strip, page: string, items: string[]) =>
      act([strip], items.length > 0 ? [{ copy: strip.row.id, page, act: { act: 'take', items } }] : []),
  }

  /** So many hundredths more than it was given, never more than full marks. */
  function more(strip: Strip, by: number): number {
    const full = Math.round(question.fullMarks * 100)
    return Math.min(full, (strip.mark?.given ?? 0) + by)
  }
}

/** The work that was written in a strip's first area, and the feedback on its page. */
function around({ parts, answer, answered }: Strip): [work: Item[], feedback: Item[]] {
  const [part] = parts
  const there = part ? workOn(answer, part.page.id) : []
  return [
    there.filter((item) => item.kind === 'stroke' && answered.besides.includes(item)),
    part ? feedbackOn(answer, part.page.id).filter(({ kind }) => kind !== 'mark') : [],
  ]
}

const isIn = (sign: Sign, area: { x: number; y: number; width: number; height: number }) =>
  sign.y + sign.height >= area.y && sign.y <= area.y + area.height

/** What brings heaps back to how they were before some acts, the last of which is undone first. */
const backTo = (before: Heaps, acts: readonly HeapAct[]): HeapAct[] =>
  [...acts].reverse().flatMap((act) => back(before, act))

function back(before: Heaps, done: HeapAct): HeapAct[] {
  const lay = (copies: readonly string[]): HeapAct[] =>
    copies.map((copy) => ({ act: 'put', copies: [copy], heap: before.lies[copy] ?? null }))
  if (done.act === 'make') return [{ act: 'drop', heap: done.heap }, ...lay(done.copies)]
  if (done.act === 'put') return lay(done.copies)
  const was = before.heaps.find(({ id }) => id === done.heap)
  if (!was) return []
  const { id: heap, name, given, remark } = was
  if (done.act === 'name') return [{ act: 'name', heap, name }]
  if (done.act === 'give') return [{ act: 'give', heap, given }]
  if (done.act === 'remark') return [{ act: 'remark', heap, remark }]
  const copies = Object.entries(before.lies).flatMap(([copy, lies]) => (lies === heap ? [copy] : []))
  return [
    { act: 'make', heap, name, copies },
    { act: 'give', heap, given },
    { act: 'remark', heap, remark },
  ]
}
