import { CALLS, type ClassWhole } from '@hand-back/core'
import { useState } from 'react'
import { saveFile } from '../../api/ask.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { useAct } from '../../ui/useAct.ts'

/** Slips to print and cut, one for each student, that sign in by the tablet's camera. */
export function SlipsDialog({
  whole,
  open,
  onClose,
}: {
  whole: ClassWhole
  open: boolean
  onClose: () => void
}) {
  const [newPins, setNewPins] = useState(false)
  const { run, busy, problem } = useAct(async () => {
    await saveFile(CALLS.slips, { class: whole.id }, { newPins })
    onClose()
  })
  return (
    <Dialog open={open} onClose={onClose} title={`Slips for ${whole.name}`}>
      <div className="flex flex-col gap-4">
        <p>
          A PDF with one card for each of {whole.students.length} students. A tablet’s camera reads it and
          signs in the student. Older slips stop working.
        </p>
        <Tick ticked={newPins} onTick={setNewPins}>
          Make new PINs and print them too
        </Tick>
        {problem && (
          <p role="alert" className="text-madder">
            {problem}
          </p>
        )}
        <Button look="main" large disabled={busy} onClick={() => void run()}>
          {busy ? 'Making the slips …' : 'Make the slips'}
        </Button>
      </div>
    </Dialog>
  )
}
