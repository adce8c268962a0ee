import type { Person } from '@hand-back/core'
import { Choices } from '../../page/habits/Choices.tsx'
import { useHabits } from '../../page/habits/useHabits.ts'
import { useCloseCard } from '../../page/strip/OpensCard.tsx'
import { Button } from '../../ui/Button.tsx'
import { usePagesRun } from './useRunning.tsx'

/** What an arrow key gives where nothing was chosen, in hundredths of a mark. */
const USUAL_STEP = 50
const STEPS = [
  ['10', '0.1'],
  ['25', '¼'],
  ['50', '½'],
  ['100', '1'],
] as const

const PAGES = [
  ['run', 'One under another'],
  ['one', 'One by one'],
] as const

/** What an arrow key adds to a mark or takes off, in hundredths. */
export function useMarkStep(person: Person): number {
  const [{ markStep = USUAL_STEP }] = useHabits(person.id)
  return markStep
}

/** What can be chosen while marking, beside how the page is seen. */
export function MarkingChoices({ person, onDrawAreas }: { person: Person; onDrawAreas: () => void }) {
  const step = useMarkStep(person)
  const [, change] = useHabits(person.id)
  const runs = usePagesRun(person)
  const close = useCloseCard()
  return (
    <>
      <Choices
        legend="Pages"
        value={runs ? 'run' : 'one'}
        options={PAGES}
        onChoose={(value) => change({ pagesRun: value === 'run' })}
      />
      <Choices
        legend="Arrow keys give"
        value={String(step)}
        options={STEPS}
        onChoose={(value) => change({ markStep: Number(value) })}
      />
      <Button
        onClick={() => {
          close()
          onDrawAreas()
        }}
        className="self-start"
      >
        Draw questions
      </Button>
    </>
  )
}
