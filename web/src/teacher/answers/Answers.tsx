import type { HandoutWhole, MarkingWhole, Person, Question } from '@hand-back/core'
import { useParams } from 'react-router'
import { LinkButton } from '../../ui/Button.tsx'
import { Empty, Fetched, Loading } from '../../ui/Notice.tsx'
import { useHandout } from '../handout/useHandout.ts'
import { useMarking } from '../marking/useMarking.ts'
import { AnswersBoard } from './AnswersBoard.tsx'
import { mixedBy, seedOf } from './bundles.ts'
import { useAnswers } from './useAnswers.ts'

/** One question across all copies of a hand-out: everybody's answer, in their own hand. */
export function Answers({ person }: { person: Person }) {
  const { handout: id = '', question = '' } = useParams()
  const handout = useHandout(id)
  const marking = useMarking(id)
  return (
    <Fetched of={handout}>
      {(whole) =>
        marking ? (
          <OfQuestion
            handout={whole}
            marking={marking}
            question={
              marking.questions.find((each) => each.id === question) ??
              (question === 'first' ? marking.questions[0] : undefined)
            }
            person={person}
          />
        ) : (
          <Loading />
        )
      }
    </Fetched>
  )
}

interface OfQuestionProps {
  handout: HandoutWhole
  marking: MarkingWhole
  question: Question | undefined
  person: Person
}

function OfQuestion({ handout, marking, question, person }: OfQuestionProps) {
  if (question) return <Fetching key={question.id} {...{ handout, marking, question, person }} />
  return (
    <div className="p-5">
      <LinkButton to={`/handout/${handout.id}`}>{handout.title}</LinkButton>
      <Empty title={marking.questions.length === 0 ? 'It has no questions yet' : 'It has no such question'}>
        Draw questions while you mark a copy, or on the worksheet: then everybody’s answers stand here.
      </Empty>
    </div>
  )
}

function Fetching({ handout, marking, question, person }: OfQuestionProps & { question: Question }) {
  // In the order in which they stand: what is seen first is asked for first.
  const mixed = mixedBy(seedOf(question.id))
  const rows = handout.copies.filter(({ withdrawn }) => !withdrawn).sort((a, b) => mixed(a) - mixed(b))
  const here = useAnswers(handout.id, question.id, rows, person)
  if (!here.store) return <Loading />
  return <AnswersBoard {...{ handout, marking, question, person, rows, here }} store={here.store} />
}
