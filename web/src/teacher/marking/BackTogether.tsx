import type { CopySum, HandoutWhole } from '@hand-back/core'
import { allArrived } from '../../page/device/allArrived.ts'
import type { Outbox } from '../../page/device/outbox.ts'
import { Button } from '../../ui/Button.tsx'
import { useAct } from '../../ui/useAct.ts'
import { goWithMarks, handBack } from '../handout/handBack.ts'
import { isReviewed } from './pileOrder.ts'

interface BackTogetherProps {
  handout: HandoutWhole
  sums: readonly CopySum[]
  outbox: Outbox
  /** The copy that is open: what was just made on it goes with it. */
  open: string
}

/** Hands back all that are reviewed, or else all that were written on, by one press. Nothing where it is one or none. */
export function BackTogether({ handout, sums, outbox, open }: BackTogetherProps) {
  const handedIn = handout.copies.filter(({ state }) => state === 'handed in')
  const reviewed = handedIn.filter((copy) => isReviewed(copy, sums))
  const going = (reviewed.length > 0 ? reviewed : handedIn.filter((copy) => copy.markingBegan)).map(
    ({ id }) => id,
  )
  const back = useAct(async () => {
    if (await allArrived(outbox, open)) await handBack(handout.id, going, { marks: goWithMarks(handout) })
  })
  if (going.length < 2) return null
  return (
    <Button onClick={() => void back.run()} disabled={back.busy} className="w-full">
      Hand back the {going.length} {reviewed.length > 0 ? 'reviewed' : 'you wrote on'}
    </Button>
  )
}
