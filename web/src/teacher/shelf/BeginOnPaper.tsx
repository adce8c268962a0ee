import { bareSheet, type Sheet } from '@hand-back/core'
import { useState } from 'react'
import { Dialog } from '../../ui/Dialog.tsx'
import { Field } from '../../ui/Field.tsx'
import { PaperChoice } from '../preparing/pages/PaperChoice.tsx'

interface BeginOnPaperProps {
  onMake: (title: string, sheet: Sheet) => Promise<void>
  onClose: () => void
}

/** A worksheet of one page, on a paper and of a size, under a name. */
export function BeginOnPaper({ onMake, onClose }: BeginOnPaperProps) {
  const [title, setTitle] = useState('')
  const [busy, setBusy] = useState(false)
  return (
    <Dialog open onClose={onClose} title="Begin on paper" wide>
      <PaperChoice
        send="Begin"
        busy={busy}
        onPage={(page) => {
          setBusy(true)
          void onMake(title.trim() || 'Worksheet', bareSheet([page])).finally(() => setBusy(false))
        }}
      >
        <Field
          label="Its name"
          maxLength={120}
          placeholder="Worksheet"
          value={title}
          onChange={(event) => setTitle(event.target.value)}
        />
      </PaperChoice>
    </Dialog>
  )
}
