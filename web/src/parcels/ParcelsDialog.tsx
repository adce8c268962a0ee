import type { ParcelTold } from '@hand-back/core'
import type { ReactNode } from 'react'
import { Dialog } from '../ui/Dialog.tsx'
import { ParcelRow } from './ParcelRow.tsx'

interface ParcelsDialogProps {
  parcels: readonly ParcelTold[]
  /** What can be wished for here. */
  children?: ReactNode
  onClose: () => void
}

/** Everything that is packed or kept. */
export function ParcelsDialog({ parcels, children, onClose }: ParcelsDialogProps) {
  return (
    <Dialog open onClose={onClose} title="To take away">
      {children}
      {parcels.length === 0 ? (
        <p className="text-ink-soft">Nothing is packed.</p>
      ) : (
        <>
          <ul aria-live="polite">
            {parcels.map((parcel) => (
              <ParcelRow key={parcel.id} parcel={parcel} />
            ))}
          </ul>
          <p className="mt-3 text-ink-soft">
            You can go on with something else: it is packed at school, and kept for an hour.
          </p>
        </>
      )}
    </Dialog>
  )
}
