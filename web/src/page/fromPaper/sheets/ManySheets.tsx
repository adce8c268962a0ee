import { FolderOpen } from 'lucide-react'
import { type ReactNode, useEffect, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { Button } from '../../../ui/Button.tsx'
import { FileInput } from '../../../ui/FileInput.tsx'
import { sayProblem } from '../../../ui/notices.ts'
import type { PaperInto } from './into.ts'
import { isTwice, readyIn, type Sheet, type SheetReading } from './reading.ts'
import { SheetCard } from './SheetCard.tsx'
import { SheetDialog } from './SheetDialog.tsx'

interface ManySheetsProps {
  reading: SheetReading
  into: PaperInto
  /** What is chosen besides, before they are laid; what is said while they are. */
  besides?: ReactNode
  underWay?: ReactNode
  /** Told of the copies into which sheets were laid. */
  onLaid?: (copies: readonly string[]) => Promise<void>
  /** Nothing is left to do with them. */
  onDone: () => void
}

/** Many sheets of paper at once: read, looked at where that is needed, and laid where they belong by one press. */
export function ManySheets({ reading, into, besides, underWay, onLaid, onDone }: ManySheetsProps) {
  const { sheets } = useStore(reading.view)
  const [open, setOpen] = useState<string>()
  const [laying, setLaying] = useState(false)
  const file = useRef<HTMLInputElement>(null)
  const ready = readyIn(sheets)
  const parts = partsOf(sheets, ready)
  const coming = parts.coming.length
  const opened = sheets.find(({ id }) => id === open)
  const copies = new Set(ready.map(({ to }) => to?.copy)).size
  const lay = async () => {
    setLaying(true)
    try {
      const copies = await reading.layAll()
      await onLaid?.(copies)
      if (reading.view.getState().sheets.every(({ state }) => state === 'laid')) onDone()
    } catch (error) {
      sayProblem(error)
    } finally {
      setLaying(false)
    }
  }
  return (
    <div className="grid gap-6">
      {coming > 0 && (
        <Progress read={sheets.length - coming} all={sheets.length} onStop={() => reading.stop()} />
      )}
      {parts.asking.length > 0 && (
        <Part title={parts.asking.length === 1 ? 'Look at this one' : `Look at these ${parts.asking.length}`}>
          {parts.asking.map((sheet) => (
            <SheetCard
              key={sheet.id}
              {...{ sheet, reading, into }}
              why={whyAsking(sheet, sheets)}
              onOpen={setOpen}
            />
          ))}
        </Part>
      )}
      {ready.length > 0 && (
        <Part title={sayReady(ready.length)}>
          {ready.map((sheet) => (
            <SheetCard key={sheet.id} {...{ sheet, reading, into }} onOpen={setOpen} />
          ))}
        </Part>
      )}
      {parts.laid.length > 0 && (
        <Part title="In their copies">
          {parts.laid.map((sheet) => (
            <SheetCard key={sheet.id} {...{ sheet, reading, into }} />
          ))}
        </Part>
      )}
      <div className="sticky bottom-2 flex flex-wrap items-center justify-end gap-3 rounded-md border border-rule bg-card p-3">
        <Button look="quiet" onClick={() => file.current?.click()}>
          <FolderOpen size={18} aria-hidden="true" /> More sheets
        </Button>
        <div className="flex-1">{laying ? underWay : ready.length > 0 && besides}</div>
        {ready.length > 0 ? (
          <Button look="main" large disabled={laying || coming > 0} onClick={() => void lay()}>
            {layWords(ready.length, into.copies.length === 1 ? 0 : copies)}
          </Button>
        ) : (
          coming === 0 &&
          parts.laid.length > 0 && (
            <Button large disabled={laying} onClick={onDone}>
              {parts.asking.length > 0 ? 'Leave the rest out' : 'Done'}
            </Button>
          )
        )}
      </div>
      <FileInput
        ref={file}
        accept="image/*,application/pdf"
        multiple
        aria-label="More sheets"
        onFiles={(files) => void reading.add(files)}
      />
      {opened?.taken && (
        <SheetDialog
          key={opened.id}
          {...{ sheet: opened, reading, into }}
          onClose={() => setOpen(undefined)}
        />
      )}
    </div>
  )
}

function partsOf(sheets: readonly Sheet[], ready: readonly Sheet[]) {
  const of = (...states: Sheet['state'][]) => sheets.filter(({ state }) => states.includes(state))
  return {
    coming: of('waits', 'reading'),
    asking: [...of('asks', 'unread'), ...of('ready').filter((sheet) => !ready.includes(sheet))],
    laid: of('laid'),
  }
}

/** Why a person has to look at a sheet. */
function whyAsking(sheet: Sheet, all: readonly Sheet[]): string {
  if (sheet.state === 'unread') return 'This cannot be read. Choose a picture, or a PDF that is not locked.'
  if (sheet.state === 'ready') {
    return isTwice(sheet, all) ? 'There are two of this page. Leave one out.' : 'Its corners make no sheet.'
  }
  return sheet.why ?? ''
}

const sayReady = (count: number) =>
  count === 1 ? 'One sheet knows where it belongs' : `${count} sheets know where they belong`

function layWords(sheets: number, copies: number): string {
  const what = sheets === 1 ? 'Lay it' : `Lay ${sheets} sheets`
  if (copies === 0) return `${what} on ${sheets === 1 ? 'its page' : 'their pages'}`
  return `${what} in ${copies === 1 ? 'one copy' : `${copies} copies`}`
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section>
      <h2 className="mb-3 text-lg">{title}</h2>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-x-4 gap-y-5">{children}</ul>
    </section>
  )
}

/** How many were read; what comes can be left alone, and comes back when it is there. */
function Progress({ read, all, onStop }: { read: number; all: number; onStop: () => void }) {
  const bar = useRef<HTMLDivElement>(null)
  useEffect(() => bar.current?.style.setProperty('width', `${(read / all) * 100}%`), [read, all])
  return (
    <div>
      <div className="mb-2 flex items-center gap-3">
        <p role="status">
          Reading {Math.min(all, read + 1)} of {all} …
        </p>
        <Button look="quiet" onClick={onStop}>
          Stop
        </Button>
      </div>
      <div className="h-2 overflow-hidden rounded-full bg-blotter">
        <div ref={bar} className="h-full bg-verdigris transition-[width]" />
      </div>
    </div>
  )
}
