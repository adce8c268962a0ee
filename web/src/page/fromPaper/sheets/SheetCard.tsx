import { FileQuestion } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Button } from '../../../ui/Button.tsx'
import { useUrl } from '../useUrl.ts'
import type { PaperInto } from './into.ts'
import type { Sheet, SheetReading } from './reading.ts'

interface SheetCardProps {
  sheet: Sheet
  reading: SheetReading
  into: PaperInto
  /** Why a person has to look at it. */
  why?: string
  /** Opens it, to say where it belongs; left out: it lies there. */
  onOpen?: (id: string) => void
}

/** One sheet: a small picture of it, whose it is, and what is to be done with it. */
export function SheetCard({ sheet, reading, into, why, onOpen }: SheetCardProps) {
  const where = useWhere(sheet, reading, into)
  const open = sheet.taken && onOpen ? () => onOpen(sheet.id) : undefined
  const name = where ? `${where.name}, page ${where.number}` : sheet.from
  return (
    <li className="flex flex-col">
      <button
        type="button"
        disabled={!open}
        onClick={open}
        aria-label={open ? `Change where this belongs: ${name}` : name}
        className={`relative grid aspect-[0.76] place-items-center overflow-hidden border bg-blotter ${why ? 'border-2 border-ochre' : 'border-rule'} ${open ? 'hover:border-ink-soft' : ''}`}
      >
        {sheet.straight ? (
          <Small bytes={sheet.straight.bytes} />
        ) : (
          <FileQuestion size={40} aria-hidden="true" className="text-ink-soft" />
        )}
      </button>
      <p className="mt-1.5 leading-snug">
        {where && <b className="block truncate">{where.name}</b>}
        {where && <span className="tabular">page {where.number}</span>}
        {(!where || why) && <span className="block truncate text-ink-soft">{sheet.from}</span>}
      </p>
      {why && <p className="mt-0.5 text-ochre leading-snug">{why}</p>}
      {why && (
        <div className="mt-auto flex flex-wrap gap-2 pt-2">
          {open && sheet.state === 'asks' && (
            <Button onClick={open} className="px-2.5">
              {into.copies.length === 1 ? 'Say which page' : 'Say whose'}
            </Button>
          )}
          <Button look="quiet" onClick={() => reading.leaveOut(sheet.id)} className="px-2.5">
            Leave out
          </Button>
        </div>
      )}
    </li>
  )
}

function Small({ bytes }: { bytes: Blob }) {
  return <img src={useUrl(bytes)} alt="" className="absolute inset-0 size-full object-contain" />
}

/** Whose page it is, as far as that is known. */
function useWhere({ to }: Sheet, reading: SheetReading, { copies }: PaperInto) {
  const [number, setNumber] = useState<number>()
  const { copy, page } = to ?? {}
  useEffect(() => {
    let gone = false
    if (copy && page)
      reading.open(copy).then(
        ({ pages }) => !gone && setNumber(pages.findIndex(({ id }) => id === page) + 1),
        () => {},
      )
    return () => {
      gone = true
    }
  }, [reading, copy, page])
  const name = copies.find(({ id }) => id === copy)?.name
  return name && page && number ? { name, number } : undefined
}
