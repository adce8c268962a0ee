import { type CopyState, type CopyWhole, copyStanding } from '@hand-back/core'
import { ask, Problem } from '../api/ask.ts'
import { queryClient } from '../api/queries.ts'
import type { CopyStore } from '../page/copyStore.ts'
import type { Outbox } from '../page/device/outbox.ts'
import { Button } from '../ui/Button.tsx'
import { sayDone, sayProblem } from '../ui/notices.ts'
import { useAct } from '../ui/useAct.ts'

/** How long handing in waits for ink that is still on its way, in milliseconds. */
const PATIENCE = 8_000

interface CopyStepsProps {
  copy: CopyWhole
  store: CopyStore
  state: CopyState
  outbox: Outbox
}

/** The one thing to do next with a whole copy: hand in, or take back. */
export function CopySteps({ copy, store, state, outbox }: CopyStepsProps) {
  const step = async (name: 'hand-in' | 'take-back'): Promise<boolean> => {
    try {
      const standing = await ask(copyStanding, 'POST', `/copies/${copy.id}/${name}`)
      store.stand(standing.state, standing.round)
      outbox.release()
      void queryClient.invalidateQueries({ queryKey: ['tray'] })
      return true
    } catch (error) {
      sayProblem(error)
      return false
    }
  }
  const handIn = useAct(async () => {
    if (!(await outbox.emptied(copy.id, PATIENCE))) {
      sayProblem(
        new Problem(
          'Your work has not all reached school yet. It is kept here; hand in when the sign says Kept.',
          0,
        ),
      )
      return
    }
    if (await step('hand-in')) sayDone('Handed in.', () => void step('take-back'))
  })
  const takeBack = useAct(async () => void (await step('take-back')))

  if (state === 'handed in') {
    return (
      <Button large onClick={() => void takeBack.run()} disabled={takeBack.busy}>
        Take back
      </Button>
    )
  }
  if (state === 'handed back') return null
  return (
    <Button look="main" large onClick={() => void handIn.run()} disabled={handIn.busy}>
      {handIn.busy ? 'Handing in …' : 'Hand in'}
    </Button>
  )
}
