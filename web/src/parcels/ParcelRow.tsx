import type { ParcelTold } from '@hand-back/core'
import { Button } from '../ui/Button.tsx'
import { sayWhen } from '../ui/when.ts'
import { dropParcel, saveParcel } from './useParcels.ts'

/** Bytes as people say them: “0.4 MB”, “12 MB”. */
export function saySize(bytes: number): string {
  const mega = bytes / 1_000_000
  return `${mega < 10 ? Math.max(0.1, Math.round(mega * 10) / 10) : Math.round(mega)} MB`
}

/** One thing that is taken away: how far it is packed, or where it can be saved. */
export function ParcelRow({ parcel }: { parcel: ParcelTold }) {
  const { id, title, file, state, done, all, bytes, problem, until } = parcel
  const kind = file.endsWith('.zip') ? 'ZIP' : 'PDF'
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule py-3" data-parcel={state}>
      <span className="min-w-[200px] flex-1">
        <b className="block">{title}</b>
        {state === 'packing' && (
          <span className="mt-1 flex items-center gap-3 text-ink-soft">
            <progress
              className="h-[8px] w-[160px]"
              aria-label={`Packing ${title}`}
              max={all || 1}
              {...(all > 0 ? { value: done } : {})}
            />
            <span className="tabular">{all > 0 ? `${done} of ${all}` : 'waits its turn'}</span>
          </span>
        )}
        {state === 'ready' && (
          <span className="text-ink-soft">
            {kind}, {saySize(bytes)}
            {until !== null && ` · kept until ${sayWhen(until)}`}
          </span>
        )}
        {state === 'failed' && <span className="text-madder">{problem}</span>}
      </span>
      {state === 'ready' && (
        <Button look="main" large onClick={() => saveParcel(parcel)} aria-label={`Save ${title}`}>
          Save
        </Button>
      )}
      <Button
        look="quiet"
        large
        onClick={() => void dropParcel(id)}
        aria-label={`${state === 'packing' ? 'Stop' : 'Remove'} ${title}`}
      >
        {state === 'packing' ? 'Stop' : 'Remove'}
      </Button>
    </li>
  )
}
