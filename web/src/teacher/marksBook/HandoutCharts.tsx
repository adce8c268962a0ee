import { barsOfQuestion, histogramOf, perCentOf, sayMarks, sayTellsApart } from '@hand-back/core'
import { useState } from 'react'
import { LinkButton } from '../../ui/Button.tsx'
import { BarChart } from '../../ui/charts/BarChart.tsx'
import { count } from '../../ui/when.ts'
import { copyTotal, type QuestionFound } from './questionColumns.ts'
import { sayCorrelation } from './sayNumbers.ts'
import type { CopyMarks } from './useMarksByQuestion.ts'

/** A bar that was pressed: the copies behind it, and what it says of them. */
export interface ChosenBar {
  readonly id: string
  readonly says: string
  readonly copies: readonly string[]
}

interface HandoutChartsProps {
  handout: string
  found: readonly QuestionFound[]
  marks: readonly CopyMarks[]
  chosen: ChosenBar | undefined
  onChoose: (bar: ChosenBar | undefined) => void
}

/** How the class did: its totals, its questions, and one question in full. A bar opens the copies behind it. */
export function HandoutCharts({ handout, found, marks, chosen, onChoose }: HandoutChartsProps) {
  const [asked, setAsked] = useState<string>()
  const some = found.filter(({ marked }) => marked.length > 0)
  if (some.length === 0) return null
  const one = some.find((each) => each.asked.question.id === asked) ?? hardestOf(some)
  const press = (bar: ChosenBar) => onChoose(chosen?.id === bar.id ? undefined : bar)
  return (
    <div className="mt-8 grid gap-5 tablet:grid-cols-2">
      <Totals marks={marks} chosen={chosen} onChoose={press} />
      <BarChart
        lying
        title="The questions"
        says="How much of its marks the class was given for each. Press one to see it at the side."
        heads={['Question', 'Reached']}
        most={100}
        bars={some.map(({ asked: { question }, reached }) => ({
          id: question.id,
          label: question.label,
          value: reached === undefined ? null : perCentOf(reached),
          says: reached === undefined ? '' : `${perCentOf(reached)} %`,
        }))}
        chosen={one?.asked.question.id}
        onChoose={setAsked}
      />
      {one && <OneQuestion handout={handout} one={one} chosen={chosen} onChoose={press} />}
    </div>
  )
}

const hardestOf = (found: readonly QuestionFound[]) =>
  [...found].sort((a, b) => (a.reached ?? 2) - (b.reached ?? 2))[0]

interface PartProps {
  chosen: ChosenBar | undefined
  onChoose: (bar: ChosenBar) => void
}

function Totals({ marks, chosen, onChoose }: PartProps & { marks: readonly CopyMarks[] }) {
  const through = marks.flatMap((own) => {
    const total = copyTotal(own)
    return total && total.left === 0 ? [{ ...total, copy: own.copy }] : []
  })
  const bars = histogramOf(through).map(({ label, of }) => ({
    id: `total ${label}`,
    says: `${count(of.length, 'copy', 'copies')} with ${label} of all marks`,
    label,
    copies: of.map(({ copy }) => copy),
  }))
  const left = marks.length - through.length
  return (
    <BarChart
      title="All marks"
      says={`How many copies reached how much${left > 0 ? `; ${left} not marked through` : ''}.`}
      heads={['Of all marks', 'Copies']}
      bars={bars.map(({ id, label, copies }) => ({
        id,
        label: label.replace(/ %$/, ''),
        value: copies.length,
        says: String(copies.length),
      }))}
      chosen={chosen?.id}
      onChoose={(id) => onChoose(bars.find((bar) => bar.id === id)!)}
    />
  )
}

function OneQuestion({
  handout,
  one,
  chosen,
  onChoose,
}: PartProps & { handout: string; one: QuestionFound }) {
  const { asked, marked, reached, tells } = one
  const { id, label } = asked.question
  const bars = barsOfQuestion(marked, asked.full).map(({ label: marks, of }) => ({
    id: `${id} ${marks}`,
    says: `${count(of.length, 'copy', 'copies')} with ${marks}${marks.includes('%') ? ' of the marks' : ` of ${sayMarks(asked.full)}`} in question ${label}`,
    label: marks,
    copies: of.map(({ copy }) => copy),
  }))
  return (
    <>
      <BarChart
        title={`Question ${label}`}
        says={`How many copies were given how many of its ${sayMarks(asked.full)}.`}
        heads={['Marks', 'Copies']}
        bars={bars.map(({ id: bar, label: marks, copies }) => ({
          id: bar,
          label: marks,
          value: copies.length,
          says: String(copies.length),
        }))}
        chosen={chosen?.id}
        onChoose={(bar) => onChoose(bars.find((each) => each.id === bar)!)}
      />
      <section className="self-start p-5">
        <h2 className="mb-2 text-lg">Question {label}, in words</h2>
        <p>
          {reached !== undefined &&
            `${count(marked.length, 'copy has', 'copies have')} marks for it, and the class reached ${perCentOf(reached)} % of them.`}
        </p>
        <p className="mb-4">
          {tells === undefined
            ? 'Whether it tells strong from weak can be said when five copies have marks for it and for others, and not all the same.'
            : `It tells strong from weak ${sayTellsApart(tells)} (${sayCorrelation(tells)}).`}
          {tells !== undefined &&
            tells < 0 &&
            ' Those who were strong elsewhere got less here: look at the question, or at its key.'}
        </p>
        {!asked.isCriterion && (
          <LinkButton to={`/handout/${handout}/question/${id}`}>Compare the answers</LinkButton>
        )}
      </section>
    </>
  )
}
