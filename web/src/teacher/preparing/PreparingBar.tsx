import { CALLS } from '@hand-back/core'
import { Keyboard, Redo2, Undo2 } from 'lucide-react'
import { useNavigate } from 'react-router'
import { useStore } from 'zustand'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { TitleField } from '../../ui/TitleField.tsx'
import { usePreparing } from './context.ts'

/** The bar over preparation: whose worksheet, whether it is kept, and where to go on. */
export function PreparingBar({ onKeys }: { onKeys: () => void }) {
  const { worksheet, store, keeper } = usePreparing()
  const { canUndo, canRedo, sheet } = useStore(store.view)
  const { state, refused } = useStore(keeper.state)
  const navigate = useNavigate()
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
    here: refused ? 'not kept' : 'can’t reach school: kept here',
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
        <IconButton label="Undo" onClick={() => store.undo()} disabled={!canUndo}>
          <Undo2 size={19} aria-hidden="true" />
        </IconButton>
        <IconButton label="Redo" onClick={() => store.redo()} disabled={!canRedo}>
          <Redo2 size={19} aria-hidden="true" />
        </IconButton>
        <IconButton label="Keys" onClick={onKeys}>
          <Keyboard size={19} aria-hidden="true" />
        </IconButton>
        <Button onClick={() => void goTo(`/worksheet/${worksheet.id}/as-a-student`)}>As a student</Button>
        <Button look="main" onClick={() => void goTo(`/worksheet/${worksheet.id}/hand-out`)}>
          Hand out
        </Button>
      </header>
      {refused && (
        <p role="alert" className="shrink-0 border-b border-rule bg-madder-soft px-5 py-2">
          {refused}
        </p>
      )}
    </>
  )
}

function IconButton({ label, ...rest }: { label: string } & React.ComponentProps<typeof Button>) {
  return <Button look="quiet" aria-label={label} title={label} {...rest} className="!px-2" />
}
