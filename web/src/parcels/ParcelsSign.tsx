import { PackageOpen } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../ui/Button.tsx'
import { ParcelsDialog } from './ParcelsDialog.tsx'
import { useParcelNotices, useParcels } from './useParcels.ts'

/** That something is packed or can be saved; a press shows what. Nothing where nothing is. */
export function ParcelsSign() {
  const parcels = useParcels()
  const [open, setOpen] = useState(false)
  useParcelNotices(parcels, open)
  const packing = parcels.filter(({ state }) => state === 'packing')
  const ready = parcels.filter(({ state }) => state === 'ready').length
  if (parcels.length === 0 && !open) return null
  const [done, all] = [
    packing.reduce((sum, each) => sum + each.done, 0),
    packing.reduce((sum, each) => sum + each.all, 0),
  ]
  const words =
    packing.length > 0
      ? all > 0
        ? `Packing ${done} of ${all}`
        : 'Packing …'
      : ready > 0
        ? `${ready} packed`
        : 'Not packed'
  return (
    <>
      <Button look="quiet" onClick={() => setOpen(true)} className="tabular">
        <PackageOpen size={18} aria-hidden="true" /> {words}
      </Button>
      {open && <ParcelsDialog parcels={parcels} onClose={() => setOpen(false)} />}
    </>
  )
}
