import type { Rubric } from '@hand-back/core'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { RubricDialog } from './RubricDialog.tsx'

interface RubricFieldProps {
  rubric: Rubric | null
  onChange: (rubric: Rubric | null) => Promise<unknown> | undefined
}

/** The rubric that goes with a hand-out: a press chooses, makes or changes it. */
export function RubricField({ rubric, onChange }: RubricFieldProps) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button className="self-start" onClick={() => setOpen(true)}>
        {rubric ? `Rubric: ${rubric.name}` : 'Rubric'}
      </Button>
      {open && (
        <RubricDialog rubric={rubric} onChoose={async (to) => onChange(to)} onClose={() => setOpen(false)} />
      )}
    </>
  )
}
