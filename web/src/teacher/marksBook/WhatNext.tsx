import {
  type CopyRow,
  type HandoutWhole,
  type Lack,
  lackAll,
  lackAny,
  lacksOf,
  type MarkingWhole,
  type MarksByQuestion,
  type SaidOfClass,
} from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { ChoiceLine } from '../../ui/ChoiceLine.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { TickBox } from '../../ui/Tick.tsx'
import { asked } from '../asked.ts'
import { ForThem } from './ForThem.tsx'
import { askedFor, marksBy } from './questionColumns.ts'
import { useMarksByQuestion } from './useMarksByQuestion.ts'

interface WhatNextProps {
  handout: HandoutWhole
  rows: readonly CopyRow[]
  marking: MarkingWhole
}

/** What the class needs next: what was hard, what was said most, who lacks the same, and something for just them. */
export function WhatNext(props: WhatNextProps) {
  const said = useQuery({ ...asked.saidOfClass(props.handout.id), staleTime: 0 })
  const told = useMarksByQuestion(props.handout.id)
  return (
    <Fetched of={told}>
      {(marks) => <Fetched of={said}>{(all) => <Lacks {...props} marks={marks} said={all} />}</Fetched>}
    </Fetched>
  )
}

type LacksProps = WhatNextProps & { marks: MarksByQuestion; said: SaidOfClass }

/** What is lacked, by where that is known from, and what says it. */
const PARTS: readonly { from: Lack['from']; title: string; none: string }[] = [
  {
    from: 'question',
    title: 'Questions, the hardest first',
    none: 'Nobody has less than half of a question’s marks.',
  },
  { from: 'remark', title: 'Remarks, given most first', none: 'No remark was given to several.' },
  { from: 'heap', title: 'Heaps, the largest first', none: 'No heap has a name yet.' },
]

/** Whether they lack any of what is ticked, or all of it. */
const HOW = { any: 'any of it', all: 'all of it' } as const

function Lacks({ handout, rows, marking, marks, said }: LacksProps) {
  const [chosen, setChosen] = useState<readonly string[]>([])
  const [how, setHow] = useState<keyof typeof HOW>('any')
  const lacks = useMemo(() => {
    const marked = marks.copies.map((own) => ({ copy: own.copy, marks: marksBy(own) }))
    const there = new Set(rows.filter(({ withdrawn }) => !withdrawn).map(({ id }) => id))
    const here = (copies: readonly string[]) => copies.filter((copy) => there.has(copy))
    return lacksOf(
      askedFor(marking, marks.copies).map(({ question }) => question),
      marked.filter(({ copy }) => there.has(copy)),
      {
        remarks: said.remarks.map((remark) => ({ ...remark, copies: here(remark.copies) })),
        heaps: said.heaps.map((heap) => ({ ...heap, copies: here(heap.copies) })),
      },
    )
  }, [marking, marks, said, rows])
  if (lacks.length === 0)
    return (
      <Empty title="Nothing stands out yet">
        Give marks, remarks and heaps: what several students lack is gathered here.
      </Empty>
    )
  const ticked = lacks.filter(({ id }) => chosen.includes(id))
  const copies = how === 'all' ? lackAll(ticked) : lackAny(ticked)
  const who = rows.filter(({ id }) => copies.includes(id))
  const toggle = (id: string) =>
    setChosen(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id])
  return (
    <section
      aria-label="What the class needs next"
      className="mt-5 grid items-start gap-9 laptop:grid-cols-[1fr_350px]"
    >
      <div className="grid gap-7">
        {PARTS.map(({ from, title, none }) => {
          const some = inOrder(from, lacks)
          return (
            <section key={from}>
              <h2 className="mb-1 text-lg">{title}</h2>
              {some.length === 0 ? (
                <p className="text-ink-soft">{none}</p>
              ) : (
                <ul>
                  {some.map((lack) => (
                    <LackRow
                      key={lack.id}
                      lack={lack}
                      of={rows.length}
                      ticked={chosen.includes(lack.id)}
                      also={
                        ticked.length > 0
                          ? lack.copies.filter((copy) => copies.includes(copy)).length
                          : undefined
                      }
                      onTick={() => toggle(lack.id)}
                    />
                  ))}
                </ul>
              )}
            </section>
          )
        })}
      </div>
      <aside className="sticky top-4 flex flex-col gap-4 rounded-md border border-rule bg-card p-6">
        <h2 className="text-lg">Who lacks the same</h2>
        {ticked.length === 0 ? (
          <p className="text-ink-soft">
            Tick what is lacked: the students stand here, and something can be handed out to just them.
          </p>
        ) : (
          <>
            {ticked.length > 1 && (
              <ChoiceLine label="Of what is ticked they lack" value={how} names={HOW} onChoose={setHow} />
            )}
            <ul className="flex flex-wrap gap-x-4 gap-y-1">
              {who.map(({ id, name }) => (
                <li key={id}>
                  <Link to={`/handout/${handout.id}/pile/${id}`} className="font-semibold text-ink">
                    {name}
                  </Link>
                </li>
              ))}
              {who.length === 0 && <li className="text-ink-soft">Nobody lacks all of it.</li>}
            </ul>
            <ForThem key={chosen.join(' ')} handout={handout} who={who} lacks={ticked} />
          </>
        )}
      </aside>
    </section>
  )
}

/** The lacks of one kind: questions the hardest first, others what most have first. */
function inOrder(from: Lack['from'], lacks: readonly Lack[]): Lack[] {
  const some = lacks.filter((lack) => lack.from === from)
  return from === 'question' ? some.sort((a, b) => (a.reached ?? 1) - (b.reached ?? 1)) : some
}

interface LackRowProps {
  lack: Lack
  /** How many copies there are. */
  of: number
  ticked: boolean
  /** How many of those who are chosen lack this too. */
  also: number | undefined
  onTick: () => void
}

function LackRow({ lack, of, ticked, also, onTick }: LackRowProps) {
  const { label, detail, copies } = lack
  const lead = lack.from === 'question' ? `${copies.length} with less than half` : `${copies.length} of ${of}`
  return (
    <li className="border-b border-rule">
      <label className="flex min-h-[46px] cursor-pointer items-center gap-3 py-1.5">
        <TickBox checked={ticked} onChange={onTick} />
        <span className="min-w-0 flex-1">
          <b className="line-clamp-2">{label}</b>
          {detail && <span className="line-clamp-2 text-ink-soft">{detail}</span>}
        </span>
        {also !== undefined && !ticked && also > 0 && (
          <span className="shrink-0 text-small text-slate">{also} of those chosen</span>
        )}
        <span className="flex w-[150px] shrink-0 flex-col items-end gap-1">
          <span className="tabular">{lead}</span>
          <span
            aria-hidden="true"
            className="block h-[6px] w-full overflow-hidden rounded-tag bg-blotter-deep"
          >
            <span
              className="block h-full bg-ink-soft"
              style={{ width: `${of === 0 ? 0 : (copies.length / of) * 100}%` }}
            />
          </span>
        </span>
      </label>
    </li>
  )
}
