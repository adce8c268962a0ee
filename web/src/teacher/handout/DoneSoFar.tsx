import type { CopyWork } from '@hand-back/core'
import { Fragment } from 'react'

/** What was done on a copy so far, in a few words: pages, recordings, pins, and the time really spent. */
export function DoneSoFar({ work, of }: { work: CopyWork | undefined; of: number }) {
  if (!work || (work.pages === 0 && work.recordings === 0 && work.pins === 0 && work.watched === 0))
    return null
  const { pages, recordings, pins, watched, worked } = work
  const said = [sayPages(pages, of), sayWorked(worked)]
  if (recordings > 0) said.push(`${recordings} ${recordings === 1 ? 'recording' : 'recordings'}`)
  if (pins > 0) said.push(`${pins} ${pins === 1 ? 'pin' : 'pins'} not done`)
  return (
    <span title="Time really spent: pauses of more than two minutes do not count">
      {said.map((part, index) => (
        // A narrow column breaks between them, not within one.
        <Fragment key={part}>
          <span className="whitespace-nowrap">
            {part}
            {index < said.length - 1 && ' ·'}
          </span>{' '}
        </Fragment>
      ))}
      {watched > 0 && (
        <b className="block text-madder">
          {watched === 1 ? 'A pin has' : `${watched} pins have`} a word from your list
        </b>
      )}
    </span>
  )
}

/** Students may lay in pages of their own: then it is more than the worksheet has. */
const sayPages = (pages: number, of: number): string =>
  pages > of ? `${pages} pages` : `${pages} of ${of} ${of === 1 ? 'page' : 'pages'}`

const MINUTE = 60_000

/** A time as people say it: “under a minute”, “14 min”, “1 h 05”. */
function sayWorked(milliseconds: number): string {
  const minutes = Math.round(milliseconds / MINUTE)
  if (minutes < 1) return 'under a minute'
  return minutes < 60
    ? `${minutes} min`
    : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`
}
