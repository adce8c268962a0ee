import { CALLS } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Keyboard, Redo2, Undo2 } from 'lucide-react'
import { useNavigate, useSearchParams } from 'react-router'
import { useStore } from 'zustand'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { TitleField } from '../../ui/TitleField.tsx'
import { asked } from '../asked.ts'
import { usePreparing } from './context.ts'
import { InUseBar } from './InUseBar.tsx'

/** The bar over preparation: whose worksheet, whether it is kept, and where to go on. */
export function PreparingBar({ onKeys }: { onKeys: () => void }) {
  const { worksheet, store, keeper } = usePreparing()
  const { canUndo, canRedo, sheet } = useStore(store.view)
  const { state, refused } = useStore(keeper.state)
  const navigate = useNavigate()
  const [search] = useSearchParams()
  const of = search.get('in') ?? ''
  const inUse = useQuery({ ...asked.handout(of), enabled: of !== '' })
  const count = sheet.pages.length
  // What comes next reads the worksheet from school: it must have arrived.
  const goTo = async (path: string) => {
    await keeper.flush()
    await refresh(CALLS.worksheet, { worksheet: worksheet.id })
    if (keeper.state.getState().state === 'kept') await navigate(path)
  }
  const rename = async (title: string) => {
    await ask(CALLS.renameWorksheet, { worksheet: worksheet.id }, { title })
    void refresh(CALLS.worksheets)
  }
  const words = {
    kept: 'kept',
    going: 'keeping …',
    here: refused ? 'not kept' : 'no connection: safe on this device',
  }[state]
  return (
    <>
      <header className="flex shrink-0 items-center gap-3 border-b border-rule bg-card px-5 py-1.5 max-tablet:px-3">
        <LinkButton to="/shelf">Shelf</LinkButton>
        <div className="min-w-0 flex-1 [&_h1]:min-w-0 [&_h1]:text-xl">
          <TitleField
            label="Title of the worksheet"
            title={worksheet.title}
            longest={120}
            onRename={rename}
          />
        </div>
        <span role="status" data-kept={state} className="whitespace-nowrap text-ink-soft max-upright:hidden">
          {count} {count === 1 ? 'page' : 'pages'} · {words}
        </span>
        <IconButton size={19} icon={Undo2} label="Undo" onClick={() => store.undo()} disabled={!canUndo} />
        <IconButton size={19} icon={Redo2} label="Redo" onClick={() => store.redo()} disabled={!canRedo} />
        <IconButton size={19} icon={Keyboard} label="Keys" onClick={onKeys} />
        <Button onClick={() => void goTo(`/worksheet/${worksheet.id}/as-a-student`)}>As a student</Button>
        {/* While it is out with a class, sending is what one came for; handing out is another thing. */}
        <Button
          look={inUse.data ? 'plain' : 'main'}
          onClick={() => void goTo(`/worksheet/${worksheet.id}/hand-out`)}
        >
          {inUse.data ? 'Hand out to others' : 'Hand out'}
        </Button>
      </header>
      {inUse.data && <InUseBar handout={inUse.data} lesson={search.get('lesson')} />}
      {refused && (
        <p role="alert" className="shrink-0 border-b border-rule bg-madder-soft px-5 py-2">
          {refused}
        </p>
      )}
    </>
  )
}
