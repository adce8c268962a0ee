import { CALLS, type CopyState, type CopyWhole, type WorksheetPage } from '@hand-back/core'
import { ask } from '../api/ask.ts'
import { refresh } from '../api/queries.ts'
import type { CopyStore } from '../page/copy/copyStore.ts'
import { allArrived } from '../page/device/allArrived.ts'
import type { Outbox } from '../page/device/outbox.ts'
import { Button } from '../ui/Button.tsx'
import { sayDone, sayProblem } from '../ui/notices.ts'
import { useAct } from '../ui/useAct.ts'
import { HandIn } from './HandIn.tsx'

interface CopyStepsProps {
  copy: CopyWhole
  store: CopyStore
  state: CopyState
  outbox: Outbox
  pages: readonly WorksheetPage[]
  onTurn: (page: string) => void
}

/** The one thing to do next with a whole copy: hand in, or take back. */
export function CopySteps({ copy, store, state, outbox, pages, onTurn }: CopyStepsProps) {
  const step = async (call: typeof CALLS.handIn | typeof CALLS.takeBack): Promise<boolean> => {
    try {
      const standing = await ask(call, { copy: copy.id })
      store.stand(standing)
      outbox.release()
      void refresh(CALLS.tray)
      return true
    } catch (error) {
      sayProblem(error)
      return false
    }
  }
  const handIn = useAct(async () => {
    if (!(await allArrived(outbox, copy.id))) return
    if (await step(CALLS.handIn)) sayDone('Handed in.', () => void step(CALLS.takeBack))
  })
  const takeBack = useAct(async () => void (await step(CALLS.takeBack)))

  if (copy.way === 'read') return null
  if (state === 'handed in') {
    return (
      <Button
        large
        onClick={() => void takeBack.run()}
        disabled={takeBack.busy}
        className="shrink-0 whitespace-nowrap"
      >
        Take back
      </Button>
    )
  }
  if (state === 'handed back') return null
  return (
    <HandIn
      copy={copy.id}
      store={store}
      pages={pages}
      busy={handIn.busy}
      onHandIn={() => void handIn.run()}
      onTurn={onTurn}
    />
  )
}
