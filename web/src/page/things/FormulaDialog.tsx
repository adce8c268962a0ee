import type { FormulaDrawing, Thing } from '@hand-back/core'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { FormulaField } from './FormulaField.tsx'

interface FormulaDialogProps {
  /** The one that is written anew; left out: a new one. */
  formula?: Thing | undefined
  onDone: (latex: string, drawing: FormulaDrawing) => void
  onClose: () => void
}

/** Writing a formula. School draws it, so school must be in reach. */
export function FormulaDialog({ formula, onDone, onClose }: FormulaDialogProps) {
  const [made, setMade] = useState<{ latex: string; drawing: FormulaDrawing }>()
  return (
    <Dialog open onClose={onClose} title="A formula">
      <div className="flex flex-col gap-4">
        <FormulaField
          latex={formula?.kind === 'formula' ? formula.latex : ''}
          onTyping={() => setMade(undefined)}
          onDrawn={(latex, drawing) => setMade({ latex, drawing })}
        />
        <Button look="main" large disabled={!made} onClick={() => made && onDone(made.latex, made.drawing)}>
          Add it to the page
        </Button>
      </div>
    </Dialog>
  )
}
