import { CALLS, MOST_CRITERIA, type Rubric } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { sayDone, sayProblem } from '../../ui/notices.ts'
import { useAct } from '../../ui/useAct.ts'
import { asked } from '../asked.ts'
import { RubricEditor } from './RubricEditor.tsx'
import { newRubric } from './rubricEdits.ts'

interface RubricDialogProps {
  /** The rubric as it is here now. */
  rubric: Rubric | null
  /** Makes it the rubric here; nothing: none. */
  onChoose: (rubric: Rubric | null) => Promise<unknown>
  onClose: () => void
}

/** Chooses one of the teacher's rubrics, makes a new one, or changes the one that is here. */
export function RubricDialog({ rubric, onChoose, onClose }: RubricDialogProps) {
  const [edited, setEdited] = useState<Rubric | undefined>(rubric ?? undefined)
  const kept = useQuery(asked.rubrics())
  const { run, busy, problem } = useAct(async (to: Rubric | null, told?: () => void) => {
    if (to) await keep(to, kept.data ?? [])
    await onChoose(to)
    told?.()
    onClose()
  })
  return (
    <Dialog open onClose={onClose} title="Rubric" wide>
      {edited ? (
        <RubricEditor
          rubric={edited}
          problem={problem}
          busy={busy || kept.isPending}
          onKeep={(to, done) => void run(to, done)}
          onOthers={() => setEdited(undefined)}
          onNone={rubric ? () => void run(null) : undefined}
        />
      ) : (
        <div className="flex flex-col gap-3">
          <p className="text-ink-soft">
            What you look for in the whole work: up to {MOST_CRITERIA} criteria, each with a level for how far
            it is reached. Students see it with their copy.
          </p>
          <Fetched of={kept}>
            {(list) => (
              <ul className="flex flex-col gap-2">
                {list.map(({ id, rubric: each }) => (
                  <li key={id} className="flex items-center gap-2">
                    <Button className="flex-1 !justify-start" onClick={() => setEdited(each)}>
                      {each.name}
                      <span className="font-normal text-ink-soft">
                        {each.criteria.map(({ label }) => label).join(' · ')}
                      </span>
                    </Button>
                    <Button
                      look="quiet"
                      aria-label={`Remove ${each.name}`}
                      onClick={() => void remove(id, each)}
                    >
                      Remove
                    </Button>
                  </li>
                ))}
              </ul>
            )}
          </Fetched>
          <Button look="main" className="self-start" onClick={() => setEdited(newRubric())}>
            New rubric
          </Button>
        </div>
      )}
    </Dialog>
  )
}

/** One of the same name is the same rubric, as it is from now on. */
async function keep(rubric: Rubric, kept: readonly { id: string; rubric: Rubric }[]): Promise<void> {
  const same = kept.find((each) => each.rubric.name === rubric.name)
  await ask(CALLS.keepRubric, { rubric: same?.id ?? crypto.randomUUID() }, rubric)
  void refresh(CALLS.rubrics)
}

async function remove(id: string, rubric: Rubric): Promise<void> {
  try {
    await ask(CALLS.dropRubric, { rubric: id })
    await refresh(CALLS.rubrics)
    const back = () => ask(CALLS.keepRubric, { rubric: id }, rubric).then(() => refresh(CALLS.rubrics))
    sayDone(
      `“${rubric.name}” is removed from your rubrics. Hand-outs keep it.`,
      () => void back().catch(sayProblem),
    )
  } catch (error) {
    sayProblem(error)
  }
}
