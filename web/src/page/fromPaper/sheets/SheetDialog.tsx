import { RotateCw } from 'lucide-react'
import { useEffect, useId, useState } from 'react'
import { Button } from '../../../ui/Button.tsx'
import { Dialog } from '../../../ui/Dialog.tsx'
import { INPUT } from '../../../ui/Field.tsx'
import { sayProblem } from '../../../ui/notices.ts'
import { CornersOnPhoto } from '../CornersOnPhoto.tsx'
import { useUrl } from '../useUrl.ts'
import type { OpenedForPaper, PaperInto } from './into.ts'
import type { Sheet, SheetReading } from './reading.ts'

interface SheetDialogProps {
  sheet: Sheet
  reading: SheetReading
  into: PaperInto
  onClose: () => void
}

/** Where a sheet belongs, and where it lies in its picture: said by hand. */
export function SheetDialog({ sheet, reading, into, onClose }: SheetDialogProps) {
  const { taken, to } = sheet
  const only = into.copies.length === 1 ? into.copies[0]!.id : undefined
  const [corners, setCorners] = useState(sheet.corners!)
  const [copy, setCopy] = useState(to?.copy ?? only ?? '')
  const [page, setPage] = useState(to?.page ?? '')
  const [opened, setOpened] = useState<OpenedForPaper>()
  const [busy, setBusy] = useState(false)
  const url = useUrl(taken!.bytes)
  useEffect(() => {
    let gone = false
    setOpened(undefined)
    if (copy) reading.open(copy).then((there) => !gone && setOpened(there), sayProblem)
    return () => {
      gone = true
    }
  }, [reading, copy])
  const pages = opened?.pages ?? []
  const chosen = pages.find(({ id }) => id === page)
  const say = async () => {
    setBusy(true)
    try {
      await reading.say(sheet.id, { copy, page }, corners)
      onClose()
    } catch (error) {
      setBusy(false)
      sayProblem(error)
    }
  }
  const turn = () => setCorners([corners[3], corners[0], corners[1], corners[2]])
  return (
    <Dialog open onClose={onClose} title={only ? 'Which page is it?' : 'Whose is it?'} wide>
      <p className="mb-3 text-ink-soft">{sheet.from}</p>
      <div className="grid gap-5 min-[640px]:grid-cols-[3fr_2fr]">
        <CornersOnPhoto
          url={url}
          width={taken!.width}
          height={taken!.height}
          corners={corners}
          onMove={setCorners}
          onPut={() => {}}
        />
        <div className="flex flex-col gap-4">
          {!only && (
            <Choice
              label="Copy of"
              value={copy}
              onChoose={setCopy}
              options={into.copies.map(({ id, name }) => [id, name])}
            />
          )}
          <Choice
            label="Page"
            value={chosen ? page : ''}
            onChoose={setPage}
            options={pages.map(({ id }, index) => [id, `Page ${index + 1}`])}
          />
          <p className="text-ink-soft">Put the corners where those of the sheet are, if they are not.</p>
          <div className="flex flex-wrap gap-2">
            <Button large onClick={turn}>
              <RotateCw size={18} aria-hidden="true" /> Rotate
            </Button>
            <Button
              look="quiet"
              large
              onClick={() => {
                reading.leaveOut(sheet.id)
                onClose()
              }}
            >
              Leave it out
            </Button>
          </div>
          <Button look="main" large disabled={!chosen || busy} onClick={() => void say()}>
            {busy ? 'One moment …' : 'It belongs there'}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}

interface ChoiceProps {
  label: string
  value: string
  onChoose: (value: string) => void
  options: readonly (readonly [id: string, name: string])[]
}

function Choice({ label, value, onChoose, options }: ChoiceProps) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      <select id={id} value={value} onChange={(event) => onChoose(event.target.value)} className={INPUT}>
        <option value="" disabled>
          Choose
        </option>
        {options.map(([option, name]) => (
          <option key={option} value={option}>
            {name}
          </option>
        ))}
      </select>
    </div>
  )
}
