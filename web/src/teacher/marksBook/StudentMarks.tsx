import type { MarksBook } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Link, useParams } from 'react-router'
import { ChartCard } from '../../ui/charts/ChartCard.tsx'
import { LineChart } from '../../ui/charts/LineChart.tsx'
import { Empty, Fetched } from '../../ui/Notice.tsx'
import { asked } from '../asked.ts'
import { bookRows, type Standing, standingsOf } from './classBook.ts'
import { sayOf, sayShare } from './sayNumbers.ts'

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
const SHORT_DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' })

/** One student over time: what they were given marks for, beside the class. */
export function StudentMarks() {
  const { class: classId = '', student = '' } = useParams()
  const book = useQuery({ ...asked.marksBook(classId), staleTime: 0 })
  return (
    <Fetched of={book}>{(whole) => <Student classId={classId} student={student} book={whole} />}</Fetched>
  )
}

function Student({ classId, student, book }: { classId: string; student: string; book: MarksBook }) {
  const row = bookRows(book, book.columns, false).find(({ id }) => id === student)
  if (!row)
    return (
      <Empty title="Not in this class">
        <Link to={`/class/${classId}/marks`}>Back to the marks of {book.className}</Link>
      </Empty>
    )
  const standings = standingsOf(book, student)
  const { share, given, full } = row.total
  return (
    <>
      <div className="mb-5 border-b border-rule pb-4">
        <Link to={`/class/${classId}/marks`} className="text-ink-soft">
          Marks of {book.className}
        </Link>
        <h1 className="text-head">{row.name}</h1>
        {share !== undefined && (
          <p>
            In all <b className="font-serif text-madder">{sayShare(share)}</b> by weight, {sayOf(given, full)}{' '}
            marks.
          </p>
        )}
      </div>
      {standings.length === 0 ? (
        <Empty title="No marks yet">{row.name} has been given no marks in this class so far.</Empty>
      ) : (
        <ChartCard
          title="Over time"
          says="The full line with round points is the student; the dashed one with square points is the median of the class. In per cent of full marks."
          chart={
            <div style={{ height: 300 }}>
              <LineChart
                says={`${row.name}: ${standings.map(({ column, share: own }) => `${column.title} ${sayShare(own)}`).join(', ')}`}
                labels={standings.map(
                  ({ column }) => `${shortened(column.title)} · ${SHORT_DAY.format(column.at)}`,
                )}
                lines={[
                  {
                    name: row.name,
                    form: 'full',
                    values: standings.map((each) => Math.round(each.share * 100)),
                  },
                  {
                    name: 'Median of the class',
                    form: 'dashed',
                    values: standings.map(({ median }) => Math.round(median * 100)),
                  },
                ]}
              />
            </div>
          }
        />
      )}
      {standings.length > 0 && (
        <section className="mt-6" aria-label="What was marked">
          <Numbers standings={standings} />
        </section>
      )}
    </>
  )
}

const shortened = (title: string) => (title.length > 22 ? `${title.slice(0, 21)}…` : title)

function Numbers({ standings }: { standings: readonly Standing[] }) {
  return (
    <table className="w-full border-collapse text-left">
      <thead>
        <tr className="border-b border-rule text-ink-soft">
          {['What', 'Day', 'Marks', 'Reached', 'Median of the class'].map((head) => (
            <th key={head} className="py-1 pr-4 font-semibold">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {standings.map(({ column, cell, share, median }) => (
          <tr key={column.id} className="border-b border-rule">
            <td className="py-1.5 pr-4 font-semibold">
              {cell.copy ? (
                <Link
                  to={`/handout/${column.id}/pile/${cell.copy}`}
                  className="text-ink no-underline hover:underline"
                >
                  {column.title}
                </Link>
              ) : (
                column.title
              )}
            </td>
            <td className="pr-4 text-ink-soft">{DAY.format(column.at)}</td>
            <td className="pr-4 font-serif font-semibold text-madder tabular">
              {sayOf(cell.given ?? 0, cell.full)}
            </td>
            <td className="pr-4 tabular">{sayShare(share)}</td>
            <td className="tabular text-ink-soft">{sayShare(median)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
