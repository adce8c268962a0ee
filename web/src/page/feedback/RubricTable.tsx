import {
  type CopyLog,
  type CopyState,
  marksIn,
  mayRead,
  type Rubric,
  sayMarks,
  sayRubricSum,
} from '@hand-back/core'
import { Check } from 'lucide-react'
import { Dialog } from '../../ui/Dialog.tsx'

interface RubricTableProps {
  rubric: Rubric
  state: CopyState
  round: number
  log: CopyLog
  onClose: () => void
}

/** What is looked for in the whole work, as its student sees it; when it was handed back, with what was reached. */
export function RubricTable({ rubric, state, round, log, onClose }: RubricTableProps) {
  const marks = marksIn(log.pages.values(), (placed) =>
    mayRead('student', { state, round }, placed.layer, placed.round),
  )
  const sum = sayRubricSum(rubric, marks)
  const { levels, criteria } = rubric
  return (
    <Dialog open onClose={onClose} title={rubric.name} wide>
      {sum && <p className="mb-3 font-serif text-lg font-semibold text-madder">{sum}</p>}
      <div className="overflow-x-auto">
        <table className="w-full border-collapse">
          <thead>
            <tr>
              <td />
              {levels.map((name) => (
                <th key={name} scope="col" className="border border-rule p-2.5 text-left">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {criteria.map(({ id, label, cells }) => (
              <tr key={id} className="align-top">
                <th scope="row" className="border border-rule p-2.5 text-left">
                  {label}
                </th>
                {cells.map(({ words, marks: worth }, at) => {
                  const isReached = marks.get(id)?.level?.at === at
                  return (
                    <td
                      key={levels[at]}
                      data-reached={isReached}
                      className="min-w-28 border border-rule p-2.5 data-[reached=true]:bg-madder-soft data-[reached=true]:font-semibold data-[reached=true]:text-madder"
                    >
                      {isReached && <Check size={17} className="float-right ml-2" aria-label="reached" />}
                      {words}
                      {worth > 0 && <span className="block font-serif">{sayMarks(worth)}</span>}
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Dialog>
  )
}
