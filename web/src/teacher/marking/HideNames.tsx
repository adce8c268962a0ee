import { CALLS, type HandoutWhole } from '@hand-back/core'
import { EyeOff } from 'lucide-react'
import { ask } from '../../api/ask.ts'
import { keyOf, queryClient, refresh } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { useAct } from '../../ui/useAct.ts'

/** Whether one sees names: school sends none while they are hidden. */
export function HideNames({ handout }: { handout: HandoutWhole }) {
  const { id, namesHidden } = handout
  const hide = useAct(async () => {
    await ask(CALLS.changeHandout, { handout: id }, { namesHidden: !namesHidden })
    await refresh(CALLS.handout, { handout: id })
    // What is known of copies has names in it, or has none.
    await queryClient.invalidateQueries({ queryKey: keyOf(CALLS.copy) })
  })
  return (
    <Button
      aria-pressed={namesHidden}
      title={hide.problem ?? 'Fair marking: nothing here says whose copy it is'}
      onClick={() => void hide.run()}
      disabled={hide.busy}
      className={`whitespace-nowrap ${namesHidden ? '!border-ink !bg-ink !text-sheet' : ''}`}
    >
      <EyeOff size={18} aria-hidden="true" />
      <span className="max-tablet:sr-only">{namesHidden ? 'Names hidden' : 'Hide names'}</span>
    </Button>
  )
}
