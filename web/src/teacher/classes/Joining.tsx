import { CALLS, type JoinRequest } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { ask } from '../../api/ask.ts'
import { live } from '../../api/live.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { useAct } from '../../ui/useAct.ts'
import { asked } from '../asked.ts'

/** Those who stand before the class and ask to be let in. */
export function Joining({ classId }: { classId: string }) {
  const waiting = useQuery(asked.joining(classId))
  useEffect(() => {
    const heard = () => void refresh(CALLS.joining, { class: classId })
    const socket = live()
    socket.on('joining', heard)
    return () => void socket.off('joining', heard)
  }, [classId])
  if (!waiting.data || waiting.data.length === 0) return null
  return (
    <ul aria-label="Asking to be let in" className="mb-5 flex flex-col gap-2">
      {waiting.data.map((request) => (
        <Asking key={request.id} classId={classId} request={request} />
      ))}
    </ul>
  )
}

function Asking({ classId, request: { id, name } }: { classId: string; request: JoinRequest }) {
  const { run, busy, problem } = useAct(async (step: 'let-in' | 'not-let-in') => {
    await ask(step === 'let-in' ? CALLS.letIn : CALLS.notLetIn, { class: classId, join: id })
    const ids = { class: classId }
    await Promise.all([refresh(CALLS.joining, ids), refresh(CALLS.wholeClass, ids), refresh(CALLS.classes)])
  })
  return (
    <li className="flex flex-wrap items-center gap-3 rounded-tag border border-ochre-fill bg-ochre-soft px-4 py-2">
      <span className="flex-1">
        <b>{name}</b> asks to be let in.
        {problem && <span className="block text-madder">{problem}</span>}
      </span>
      <Button look="main" disabled={busy} onClick={() => void run('let-in')}>
        Let in
      </Button>
      <Button look="quiet" disabled={busy} onClick={() => void run('not-let-in')}>
        Not in this class
      </Button>
    </li>
  )
}
