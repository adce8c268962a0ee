import { CALLS, type WorksheetCard } from '@hand-back/core'
import { useState } from 'react'
import { urlOf } from '../../api/ask.ts'
import { PaperThumb } from '../../page/pages/PaperThumb.tsx'

/** The most of a picture, in CSS pixels. */
const MOST = { width: 180, height: 208 }

/** A worksheet's first page: the picture that school made of it; where there is none, it is drawn here. */
export function FirstPage({ worksheet }: { worksheet: WorksheetCard }) {
  const { id, title, firstPage, look, archived } = worksheet
  const [missing, setMissing] = useState<string>()
  if (!firstPage) return null
  const scale = Math.min(MOST.width / firstPage.width, MOST.height / firstPage.height)
  const label = `First page of ${title}`
  const width = firstPage.width * scale
  // What is put away is not asked for at school.
  if (!look || archived || missing === look)
    return <PaperThumb page={firstPage} width={width} label={label} />
  return (
    <img
      src={`${urlOf(CALLS.worksheetPicture, { worksheet: id })}?of=${look}`}
      alt={label}
      loading="lazy"
      decoding="async"
      width={Math.round(width)}
      height={Math.round(firstPage.height * scale)}
      onError={() => setMissing(look)}
      className="block bg-sheet shadow-[0_1px_3px_rgb(30_43_58/0.25)]"
    />
  )
}
