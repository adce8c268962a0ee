import { useQuery } from '@tanstack/react-query'
import { Tick } from '../../ui/Tick.tsx'
import { asked } from '../asked.ts'
import { Either } from './Either.tsx'

interface GoForProps {
  handout: string
  /** The questions; nothing: everything. */
  goFor: readonly string[] | undefined
  onChoose: (goFor: readonly string[] | undefined) => void
}

/** What another go is at: everything, or chosen questions, of which only the areas take work again. */
export function GoFor({ handout, goFor, onChoose }: GoForProps) {
  const { data } = useQuery(asked.marking(handout))
  const questions = data?.questions ?? []
  if (questions.length < 2) return null
  return (
    <Either
      label="At what"
      first="Everything"
      second="Some questions"
      isSecond={goFor !== undefined}
      onChoose={(some) => onChoose(some ? [] : undefined)}
    >
      {goFor && (
        <ul className="flex max-h-40 flex-wrap gap-x-1 overflow-y-auto">
          {questions.map(({ id, label }) => (
            <li key={id}>
              <Tick
                ticked={goFor.includes(id)}
                onTick={(ticked) => onChoose(ticked ? [...goFor, id] : goFor.filter((each) => each !== id))}
                className="px-1.5"
              >
                <span aria-hidden="true">{label}</span>
                <span className="sr-only">Question {label}</span>
              </Tick>
            </li>
          ))}
        </ul>
      )}
    </Either>
  )
}
