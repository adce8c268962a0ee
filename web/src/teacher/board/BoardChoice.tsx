import { CALLS, type HandoutWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { sayWhen } from '../../ui/when.ts'
import { asked } from '../asked.ts'
import { BeginOnPaper } from '../shelf/BeginOnPaper.tsx'
import { boardAt, openBoard } from './openBoard.ts'

/** So many pages that were written on before are offered. */
const OFFERED = 4

/** Pages to write on in front of the class: these, fresh paper, or what was written on before. */
export function BoardChoice({ handout }: { handout: HandoutWhole }) {
  const navigate = useNavigate()
  const [fresh, setFresh] = useState(false)
  const cards = useQuery(asked.handouts())
  const before = (cards.data ?? [])
    .filter(({ way, classId, withdrawn }) => way === 'read' && classId === handout.classId && !withdrawn)
    .slice(0, OFFERED)
  const open = (of: Parameters<typeof openBoard>[0]) =>
    openBoard(of, handout.id).then((at) => void navigate(at), sayProblem)
  return (
    <div className="grid gap-2">
      <h2 className="border-b border-rule pb-1.5 text-lg">To write on</h2>
      <div className="flex flex-wrap gap-2">
        <Button className="flex-1 whitespace-nowrap px-2" onClick={() => void open({ handout: handout.id })}>
          These pages
        </Button>
        <Button className="flex-1 whitespace-nowrap px-2" onClick={() => setFresh(true)}>
          Fresh paper
        </Button>
      </div>
      {before.length > 0 && (
        <ul>
          {before.map(({ id, title, handedOutAt }) => (
            <li key={id} className="border-b border-rule">
              <Link
                to={boardAt(id, handout.id)}
                className="flex min-h-[38px] items-center gap-2 text-ink no-underline hover:underline pointer-coarse:min-h-11"
              >
                <span className="min-w-0 flex-1 truncate">{title}</span>
                <span className="shrink-0 text-ink-soft text-sm">{sayWhen(handedOutAt)}</span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {fresh && (
        <BeginOnPaper
          onMake={async (title, sheet) => {
            try {
              const { id } = await ask(CALLS.makeWorksheet, {}, { title, unit: handout.unit, sheet })
              void refresh(CALLS.worksheets)
              await open({ worksheet: id, class: handout.classId })
            } catch (error) {
              sayProblem(error)
            }
          }}
          onClose={() => setFresh(false)}
        />
      )}
    </div>
  )
}
