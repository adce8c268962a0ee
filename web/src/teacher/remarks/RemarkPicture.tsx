import { boundsAround, type Item, laidRemark, NOBODYS, type WorksheetPage } from '@hand-back/core'
import { useMemo } from 'react'
import { PaperThumb } from '../../page/pages/PaperThumb.tsx'

/** The most room that it takes, in CSS pixels, and the rim around what is drawn, in points. */
const [WIDEST, RIM] = [230, 5]
/** How large a point of the page is drawn. */
const SCALE = 1.15

/** What a remark looks like when it is put on a page. */
export function RemarkPicture({ items }: { items: readonly Item[] }) {
  const page = useMemo((): WorksheetPage => {
    const { x1, y1 } = boundsAround(items) ?? { x1: 0, y1: 0 }
    return {
      id: '00000000-0000-4000-8000-000000000000',
      width: Math.max(24, x1) + 2 * RIM,
      height: Math.max(16, y1) + 2 * RIM,
      paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#ffffff' } },
      printed: [],
    }
  }, [items])
  const work = useMemo(
    () => ({
      copy: NOBODYS,
      items: laidRemark({ items: [...items] }, { x: RIM, y: RIM }, page, () => crypto.randomUUID()),
      photoUrl: () => '',
    }),
    [items, page],
  )
  return <PaperThumb page={page} width={Math.min(WIDEST, page.width * SCALE)} label="" work={work} />
}
