import { inMm, resizePage, type WorksheetPage } from '@hand-back/core'
import { PaperThumb } from '../../../page/pages/PaperThumb.tsx'
import { Dialog } from '../../../ui/Dialog.tsx'
import { TileButton } from '../../../ui/TileButton.tsx'
import { usePreparing } from '../context.ts'
import { usePageSize } from './sizes.tsx'

/** Another size for a page. What becomes of the things on it is asked, and shown before it is done. */
export function PageSize({ page, onClose }: { page: WorksheetPage; onClose: () => void }) {
  const { store } = usePreparing()
  const { size, rows } = usePageSize({ width: inMm(page.width), height: inMm(page.height) })
  const choose = (way: 'keep' | 'scale') => {
    store.changePage((before) => resizePage(before, size, way))
    onClose()
  }
  return (
    <Dialog open onClose={onClose} title="Another page size">
      {rows}
      <p className="mt-5 mb-2 font-semibold">What becomes of the things on it?</p>
      <div className="grid grid-cols-2 gap-3">
        {(
          [
            ['keep', 'Things keep their size'],
            ['scale', 'Things grow or shrink along'],
          ] as const
        ).map(([way, words]) => {
          const after = resizePage(page, size, way)
          const width = Math.min(180, (180 * after.width) / after.height)
          return (
            <TileButton key={way} onClick={() => choose(way)} className="p-3">
              <PaperThumb page={after} width={width} label="" />
              <b>{words}</b>
            </TileButton>
          )
        })}
      </div>
    </Dialog>
  )
}
