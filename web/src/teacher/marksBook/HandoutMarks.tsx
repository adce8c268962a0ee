import {
  type CopyRow,
  type HandoutWhole,
  type MarkingWhole,
  type MarksByQuestion,
  type Person,
  type Spread,
  sayMarks,
  sayTellsApart,
  shareOf,
  spreadOf,
} from '@hand-back/core'
import { Download, FileUp, Undo2 } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { Link } from 'react-router'
import { KeptSign } from '../../page/device/KeptSign.tsx'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { Button } from '../../ui/Button.tsx'
import { type Column, DataTable, type Foot } from '../../ui/DataTable.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { BringInQuestionMarks } from './BringInQuestionMarks.tsx'
import { type ChosenBar, HandoutCharts } from './HandoutCharts.tsx'
import { MarkCell } from './MarkCell.tsx'
import { type AskedFor, askedFor, copyTotal, type QuestionFound, questionsFound } from './questionColumns.ts'
import { sayCorrelation, sayMean, sayMiddle, sayOf, sayShare } from './sayNumbers.ts'
import { TakeMarksAway } from './TakeMarksAway.tsx'
import { type CopyMarks, useMarksByQuestion } from './useMarksByQuestion.ts'
import { useTypingMarks } from './useTypingMarks.ts'

interface HandoutMarksProps {
  handout: HandoutWhole
  rows: readonly CopyRow[]
  marking: MarkingWhole
  person: Person
}

/** The marks of a hand-out: copies by questions, how each question did, and what all come to. */
export function HandoutMarks(props: HandoutMarksProps) {
  const told = useMarksByQuestion(props.handout.id)
  return <Fetched of={told}>{(marks) => <Book {...props} told={marks} />}</Fetched>
}

function Book({ handout, rows, marking, person, told }: HandoutMarksProps & { told: MarksByQuestion }) {
  const { questions } = marking
  const typing = useTypingMarks(handout, told, questions, person)
  const { ofCopy } = typing
  const [opened, setOpened] = useState<'bring' | 'away'>()
  const [chosen, setChosen] = useState<ChosenBar>()
  const asked = useMemo(() => askedFor(marking, told.copies), [marking, told])
  const shown = rows.filter(({ withdrawn }) => !withdrawn)
  const marks = shown.flatMap(({ id }) => ofCopy.get(id) ?? [])
  const found = questionsFound(asked, marks)
  const inBar = chosen ? shown.filter(({ id }) => chosen.copies.includes(id)) : shown
  const columns = columnsOf(
    handout,
    asked,
    ofCopy,
    (row, { question }, given) => void typing.type([{ row, question, given }]),
  )
  useUndoKey(typing.canUndo, () => void typing.undo())
  return (
    <section aria-label="Marks by question">
      <div className="mb-3 flex flex-wrap items-center gap-2">
        <p className="mr-auto text-ink-soft">
          Marks typed here stand on the copies, for paper too.{' '}
          <Link to={`/class/${handout.classId}/marks`} className="font-semibold text-verdigris">
            All marks of {handout.className}
          </Link>
        </p>
        <KeptSign outbox={outboxOf(person.id)} />
        <Button look="quiet" disabled={!typing.canUndo} onClick={() => void typing.undo()}>
          <Undo2 size={18} aria-hidden="true" /> Undo
        </Button>
        <Button onClick={() => setOpened('bring')}>
          <FileUp size={18} aria-hidden="true" /> Bring in
        </Button>
        <Button onClick={() => setOpened('away')}>
          <Download size={18} aria-hidden="true" /> Take marks away
        </Button>
      </div>
      {chosen && (
        <p
          role="status"
          className="mb-3 flex flex-wrap items-center gap-3 rounded-tag border border-rule bg-card px-4 py-2"
        >
          <b>{chosen.says}</b>
          <Button look="quiet" onClick={() => setChosen(undefined)}>
            Show all
          </Button>
        </p>
      )}
      <DataTable columns={columns} rows={inBar} feet={feetOf(found, marks)} wide low />
      <HandoutCharts handout={handout.id} found={found} marks={marks} chosen={chosen} onChoose={setChosen} />
      {opened === 'bring' && (
        <BringInQuestionMarks
          rows={shown}
          asked={asked.filter(({ isCriterion }) => !isCriterion)}
          ofCopy={ofCopy}
          onTake={(all) => void typing.type(all)}
          onClose={() => setOpened(undefined)}
        />
      )}
      {opened === 'away' && (
        <TakeMarksAway
          name={handout.title}
          table={{
            columns: asked.map(({ question, full }) => ({ title: question.label, full })),
            rows: shown.map(({ id, name }) => {
              const total = copyTotal(ofCopy.get(id))
              return {
                name,
                id: null,
                given: asked.map(({ question }) => givenOf(ofCopy.get(id), question.id)?.given ?? null),
                share: total && shareOf(total),
              }
            }),
          }}
          onClose={() => setOpened(undefined)}
        />
      )}
    </section>
  )
}

const givenOf = (own: CopyMarks | undefined, question: string) =>
  own?.marks.find((mark) => mark.question === question)

/** Ctrl+Z takes back what was typed last, but not while letters of a field are. */
function useUndoKey(canUndo: boolean, undo: () => void): void {
  useEffect(() => {
    if (!canUndo) return
    const press = (event: KeyboardEvent) => {
      if (event.key !== 'z' || !(event.ctrlKey || event.metaKey)) return
      event.preventDefault()
      if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
      undo()
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  })
}

function columnsOf(
  handout: HandoutWhole,
  asked: readonly AskedFor[],
  ofCopy: ReadonlyMap<string, CopyMarks>,
  onType: (row: CopyRow, asked: AskedFor, given: number | null) => void,
): Column<CopyRow>[] {
  return [
    {
      id: 'name',
      head: handout.way === 'own' ? 'Student' : 'For',
      orderBy: ({ name }) => name,
      className: 'pr-4 whitespace-nowrap',
      cellClass: 'font-semibold',
      cell: ({ id, name }) => (
        <Link to={`/handout/${handout.id}/pile/${id}`} className="text-ink no-underline hover:underline">
          {name}
        </Link>
      ),
    },
    ...asked.map((each): Column<CopyRow> => questionColumn(each, ofCopy, onType)),
    {
      id: 'total',
      head: 'Total',
      orderBy: ({ id }) => {
        const total = copyTotal(ofCopy.get(id))
        return total ? (shareOf(total) ?? null) : null
      },
      className: 'pl-3 whitespace-nowrap',
      cell: ({ id }) => <Total of={copyTotal(ofCopy.get(id))} />,
    },
  ]
}

function questionColumn(
  asked: AskedFor,
  ofCopy: ReadonlyMap<string, CopyMarks>,
  onType: (row: CopyRow, asked: AskedFor, given: number | null) => void,
): Column<CopyRow> {
  const { question, full, isCriterion } = asked
  const { id, label } = question
  return {
    id,
    head: label,
    under: <span className="block font-normal text-ink-soft">of {sayMarks(full)}</span>,
    orderBy: (row) => givenOf(ofCopy.get(row.id), id)?.given ?? null,
    className: 'px-1',
    cell: (row) => {
      const own = ofCopy.get(row.id)
      if (!own?.asked.includes(id)) return <span className="text-ink-soft">·</span>
      const given = givenOf(own, id)?.given
      if (isCriterion)
        return (
          <span className="font-serif font-semibold text-madder">
            {given === undefined ? '' : sayMarks(given)}
          </span>
        )
      return (
        <MarkCell
          name={`${row.name}, question ${label}`}
          given={given}
          full={full}
          onGive={(to) => onType(row, asked, to)}
          onTake={() => onType(row, asked, null)}
        />
      )
    },
  }
}

function Total({ of }: { of: ReturnType<typeof copyTotal> }) {
  if (!of) return null
  const { given, full, left } = of
  return (
    <span
      className={`tabular ${left > 0 ? 'text-ink-soft' : ''}`}
      title={left > 0 ? `${left} without marks` : undefined}
    >
      <b className="font-serif text-madder">{sayOf(given, full)}</b> · {sayShare(shareOf(of))}
      {left > 0 && ' …'}
    </span>
  )
}

/** What is said of each question under all copies, and of what all marks come to. */
function feetOf(found: readonly QuestionFound[], marks: readonly CopyMarks[]): Foot[] {
  const totals = marks.flatMap((own) => {
    const total = copyTotal(own)
    return total && total.left === 0 ? [total.given] : []
  })
  const spreads = new Map<string, Spread | undefined>([
    ...found.map(
      ({ asked, marked }) => [asked.question.id, spreadOf(marked.map(({ given }) => given))] as const,
    ),
    ['total', spreadOf(totals)],
  ])
  const by = new Map(found.map((each) => [each.asked.question.id, each]))
  const ofSpread = (say: (spread: Spread) => string) => (column: string) => {
    const spread = spreads.get(column)
    return spread ? say(spread) : ''
  }
  return [
    {
      id: 'reached',
      label: 'Reached',
      meaning: 'How hard it was: the share of its marks that the class was given. 100 % is easy for all.',
      cell: (column) => sayShare(by.get(column)?.reached),
    },
    {
      id: 'tells',
      label: 'Tells apart',
      meaning:
        'Whether those who did well in everything else did well here too, from −1 to 1: from 0.4 on it tells strong from weak well; below 0 look at the question, or at its key.',
      cell: (column) => {
        const one = by.get(column)
        return one && <span title={sayTellsApart(one.tells)}>{sayCorrelation(one.tells)}</span>
      },
    },
    {
      id: 'mean',
      label: 'Mean',
      meaning: 'All marks added up, divided by how many copies have some. Totals: of copies marked through.',
      cell: ofSpread(({ mean }) => sayMean(mean)),
    },
    {
      id: 'median',
      label: 'Median',
      meaning: 'As many copies have more as have less.',
      cell: ofSpread(({ median }) => sayMean(median)),
    },
    {
      id: 'spread',
      label: 'Middle half',
      meaning:
        'Half of the copies lie in between; in brackets how far they lie from the mean (standard deviation).',
      cell: ofSpread((spread) => `${sayMiddle(spread)} (${sayMean(spread.deviation)})`),
    },
  ]
}
