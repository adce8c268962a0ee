import { useState } from 'react'
import { Button } from '../ui/Button.tsx'
import { ParcelsDialog } from './ParcelsDialog.tsx'
import { useParcels, wishParcel } from './useParcels.ts'

/** A student takes all their copies home, in one file. */
export function TakeHome({ onClose }: { onClose: () => void }) {
  const parcels = useParcels()
  const [busy, setBusy] = useState(false)
  const packing = parcels.some(({ state }) => state === 'packing')
  return (
    <ParcelsDialog parcels={parcels} onClose={onClose}>
      <p className="mb-3">All your work in one file: a PDF of each sheet, and what you said on it.</p>
      <Button
        look={parcels.length === 0 ? 'main' : 'plain'}
        large
        disabled={busy || packing}
        onClick={async () => {
          setBusy(true)
          await wishParcel({ of: 'own' })
          setBusy(false)
        }}
      >
        {packing ? 'It is being packed' : 'Pack it'}
      </Button>
    </ParcelsDialog>
  )
}
