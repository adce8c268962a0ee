import { CALLS, type HandoutWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import { useStore } from 'zustand'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { sayDone } from '../../ui/notices.ts'
import { useAct } from '../../ui/useAct.ts'
import { count } from '../../ui/when.ts'
import { asked } from '../asked.ts'
import { boardAt } from '../board/openBoard.ts'
import { saidChanges } from '../handout/saidChanges.ts'
import { usePreparing } from './context.ts'

interface InUseBarProps {
  handout: HandoutWhole
  /** One came from the front of this lesson, and goes back there; nothing: from the hand-out. */
  lesson: string | null
}

/** Changing the pages of a hand-out in use: whose it is, what its copies do not have yet, and sending that. */
export function InUseBar({ handout, lesson }: InUseBarProps) {
  const { keeper } = usePreparing()
  const kept = useStore(keeper.state, ({ state }) => state === 'kept')
  const changes = useQuery(asked.handoutChanges(handout.id))
  // What is new is what school has of the worksheet.
  useEffect(() => {
    if (kept) void refresh(CALLS.handoutChanges, { handout: handout.id })
  }, [kept, handout.id])
  const { run, busy, problem } = useAct(async () => {
    await keeper.flush()
    await ask(CALLS.sendChanges, { handout: handout.id })
    await Promise.all([
      refresh(CALLS.handoutChanges, { handout: handout.id }),
      refresh(CALLS.handout, { handout: handout.id }),
    ])
    sayDone('It is in all copies now.')
  })
  const waiting = changes.data ? saidChanges(changes.data) : ''
  const copies = handout.copies.length
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1 border-b border-rule bg-ochre-soft px-5 py-1.5 max-tablet:px-3">
      <LinkButton
        to={handout.way === 'read' && lesson ? boardAt(handout.id, lesson) : `/handout/${handout.id}`}
      >
        <span className="max-w-[240px] truncate">{handout.title}</span>
      </LinkButton>
      <p role="status" className="min-w-0 flex-1">
        <b>
          Handed out to {handout.className}, {count(copies, 'copy', 'copies')}.
        </b>{' '}
        {waiting === '' ? 'They have everything that is here.' : `Not sent yet: ${waiting}.`} Ink stays where
        it was made.
        {problem && (
          <span role="alert" className="block text-madder">
            {problem}
          </span>
        )}
      </p>
      <Button look="main" disabled={busy || !kept || waiting === ''} onClick={() => void run()}>
        {copies === 1 ? 'Send it into the copy' : `Send it into all ${copies} copies`}
      </Button>
    </div>
  )
}
