import type { Stroke } from '@hand-back/core'
import { Download, FileUp } from 'lucide-react'
import { useRef, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { FileInput } from '../../ui/FileInput.tsx'
import { saySentence } from '../../ui/notices.ts'
import { strokesOf } from './bringInk.ts'
import { type Seen, saveInkML, savePng, saveSvg } from './savePage.ts'

interface SaveDialogProps {
  seen: Seen
  /** Where all pages are made a PDF. */
  pdf: string
  /** Puts ink on the page; left out where nothing is written. */
  onInk?: ((ink: readonly Stroke[]) => void) | undefined
  onClose: () => void
}

const FORMATS = [
  ['A picture of this page', 'PNG: for a letter, a wall, anywhere', savePng],
  ['A drawing of this page', 'SVG: sharp however large it is made', saveSvg],
  ['The ink of this page', 'InkML: to write on in another program', saveInkML],
] as const

/** A page in open formats, for whoever works on it. */
export function SaveDialog({ seen, pdf, onInk, onClose }: SaveDialogProps) {
  const [busy, setBusy] = useState(false)
  const file = useRef<HTMLInputElement>(null)
  const save = async (how: (seen: Seen) => void | Promise<void>) => {
    setBusy(true)
    try {
      await how(seen)
    } catch {
      saySentence('This cannot be saved just now: the page is not all here.')
    } finally {
      setBusy(false)
    }
  }
  const bring = async (chosen: File, put: (ink: readonly Stroke[]) => void) => {
    try {
      put(await strokesOf(chosen, seen.page))
      onClose()
    } catch (error) {
      saySentence((error as Error).message)
    }
  }
  return (
    <Dialog open onClose={onClose} title="Save">
      <div className="grid gap-2">
        {FORMATS.map(([name, words, how]) => (
          <button key={name} type="button" disabled={busy} onClick={() => void save(how)} className={ROW}>
            <Download size={20} aria-hidden="true" className="shrink-0" />
            <span>
              <b className="block">{name}</b>
              <span className="text-ink-soft">{words}</span>
            </span>
          </button>
        ))}
        <a href={pdf} download className={`${ROW} no-underline`}>
          <Download size={20} aria-hidden="true" className="shrink-0" />
          <span>
            <b className="block">All pages</b>
            <span className="text-ink-soft">PDF: to read or to print</span>
          </span>
        </a>
        {onInk && (
          <>
            <Button look="quiet" onClick={() => file.current?.click()} className="mt-2 justify-self-start">
              <FileUp size={18} aria-hidden="true" /> Put ink from a file on this page
            </Button>
            <FileInput
              ref={file}
              accept=".inkml,application/inkml+xml,text/xml"
              aria-label="Ink from a file"
              onFiles={([chosen]) => chosen && void bring(chosen, onInk)}
            />
          </>
        )}
      </div>
    </Dialog>
  )
}

const ROW =
  'flex min-h-[60px] items-center gap-3.5 rounded-tag border border-rule bg-sheet px-4 py-2 text-left text-ink hover:border-ink-soft disabled:opacity-50'
