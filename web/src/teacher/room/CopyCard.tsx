import type { Box, Doing, WorksheetPage } from '@hand-back/core'
import { memo } from 'react'
import { Link } from 'react-router'
import type { Spot } from './floor.ts'
import { LivePage } from './LivePage.tsx'
import type { RoomCopy } from './roomCopies.ts'

interface CopyCardProps {
  /** Whose it is, as it stands at the seat. */
  name: string
  /** Left out while it is fetched. */
  copy: RoomCopy | undefined
  page: WorksheetPage | undefined
  part: Box | undefined
  spot: Spot
  doing: Doing
  /** What stands beside the name. */
  words: string
  /** Which pages were written on: see `touchedPages`. */
  touched: string
  /** Those who are fine step back. */
  pale: boolean
  to: string
}

const FRAMES: Record<Doing, string> = {
  asks: 'outline-[5px] outline-ochre-fill',
  still: 'outline-[3px] outline-ochre-fill outline-dashed',
  writing: 'outline-2 outline-slate',
  here: 'outline-1 outline-rule',
  away: 'outline-1 outline-rule opacity-60',
  gone: 'outline-1 outline-rule opacity-60',
  'not opened': 'outline-1 outline-rule outline-dashed opacity-60',
  'with you': 'outline-1 outline-rule',
}
/** Of the spot, around the page and for its name. */
const AROUND = 7
const NAME = 46

/** A copy where its student sits: the page that is looked at, whose it is, and what they are doing. */
export const CopyCard = memo(function CopyCard(props: CopyCardProps) {
  const { name, copy, page, part, spot, doing, words, touched, pale, to } = props
  const [width, height] = [spot.width - 2 * AROUND, spot.height - AROUND - NAME]
  const waits = doing === 'asks' || doing === 'still'
  return (
    <Link
      to={to}
      data-doing={doing}
      className={`group absolute block text-ink no-underline transition-opacity motion-reduce:transition-none ${pale && !waits ? 'opacity-35 hover:opacity-100' : ''}`}
      style={{ left: spot.left, top: spot.top, width: spot.width, height: spot.height, padding: AROUND }}
    >
      <span
        className={`mx-auto block w-fit bg-sheet group-hover:shadow-[0_2px_9px_rgb(30_43_58/0.35)] ${FRAMES[doing]}`}
      >
        {copy && page ? (
          <LivePage copy={copy} page={page} part={part} width={width} height={height} />
        ) : (
          <span className="block" style={{ width: Math.min(width, height * 0.7), height }} />
        )}
      </span>
      <Touched pages={touched} />
      <span className="mt-0.5 block text-center text-[13px] leading-tight">
        <b className="block truncate">{name}</b>
        <span
          className={`block truncate ${waits ? 'font-semibold text-ochre' : doing === 'writing' ? 'font-semibold text-slate' : 'text-ink-soft'}`}
        >
          {words}
        </span>
      </span>
    </Link>
  )
})

/** More pages than this are not told one by one. */
const MOST_DOTS = 12

/** Which pages were written on, in a row of dots. */
function Touched({ pages }: { pages: string }) {
  const written = [...pages].filter((page) => page === '+').length
  if (pages.length < 2 || pages.length > MOST_DOTS) return <span className="block h-1" />
  return (
    <span className="mx-auto mt-1 flex w-fit gap-[3px]">
      <span className="sr-only">
        {written} of {pages.length} pages written on,
      </span>
      {[...pages].map((page, index) => (
        <span
          key={index}
          aria-hidden="true"
          className={`size-[5px] rounded-full ${page === '+' ? 'bg-ink' : 'bg-rule'}`}
        />
      ))}
    </span>
  )
}
