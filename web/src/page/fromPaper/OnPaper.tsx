import type { LaidScan, WorksheetPage } from '@hand-back/core'
import { ScanLine } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { toScreen, type View } from '../view/view.ts'

interface OnPaperProps {
  laid: LaidScan
  page: Pick<WorksheetPage, 'width'>
  view: View
  photoUrl: (name: string) => string
  /** Takes the sheet away; left out: it is not this person's to take. */
  onTake: (() => void) | undefined
  onClose: () => void
}

/** A tag at the corner of a page that was done on paper: it shows the sheet as it was photographed. */
export function OnPaper({ laid, page, view, photoUrl, onTake }: OnPaperProps) {
  const [open, setOpen] = useState(false)
  const { x, y } = toScreen(view, { x: page.width, y: 0 })
  return (
    <>
      <button
        type="button"
        data-takes="one"
        aria-label="On paper: see the sheet as it came"
        onClick={() => setOpen(true)}
        className="pointer-events-auto absolute z-10 flex h-9 -translate-x-full items-center whitespace-nowrap gap-1.5 rounded-tag border border-rule bg-card/90 px-2.5 text-ink-soft text-sm hover:text-ink pointer-coarse:h-11"
        style={{ left: x - 8, top: y + 8 }}
      >
        <ScanLine size={16} aria-hidden="true" /> On paper
      </button>
      <Dialog open={open} onClose={() => setOpen(false)} title="The sheet as it came" wide>
        <img
          src={photoUrl(laid.scan.taken)}
          alt="The sheet as it came"
          className="mx-auto block max-h-[66vh] max-w-full rounded-tag"
        />
        {onTake && (
          <div className="mt-4 flex justify-end">
            <Button
              large
              onClick={() => {
                setOpen(false)
                onTake()
              }}
            >
              Take the sheet away
            </Button>
          </div>
        )}
      </Dialog>
    </>
  )
}
