import { CALLS, type CopyRow, type CopySum, type HandoutLooks, type HandoutWhole } from '@hand-back/core'
import { useMemo, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { urlOf } from '../../api/ask.ts'
import { StateTag } from '../../ui/Corner.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { Given } from '../marking/Given.tsx'
import { useLooks } from './useLooks.ts'

interface WallProps {
  handout: HandoutWhole
  rows: readonly CopyRow[]
  sums: readonly CopySum[]
}

/** The copies of a hand-out as small pictures, as they are now: one page of all of them. A press opens the copy at that page. */
export function Wall(props: WallProps) {
  const looks = useLooks(props.handout.id)
  return <Fetched of={looks}>{(told) => <Pictures {...props} told={told} />}</Fetched>
}

function Pictures({ handout, rows, sums, told }: WallProps & { told: HandoutLooks }) {
  // In the address, so that whoever comes back from a copy finds the page that they left.
  const [asked, setAsked] = useSearchParams()
  const page = told.pages.find(({ id }) => id === asked.get('page')) ?? told.pages[0]
  const looks = useMemo(
    () => new Map(told.looks.flatMap((one) => (one.page === page?.id ? [[one.copy, one.look]] : []))),
    [told, page],
  )
  if (!page) return null
  return (
    <>
      {told.pages.length > 1 && (
        <OneOf
          label="Which page"
          value={page.id}
          onChoose={(id) => setAsked({ page: id }, { replace: true })}
          className="mb-4 flex flex-wrap items-center gap-1.5"
        >
          <span className="mr-1 text-ink-soft">Page</span>
          {told.pages.map(({ id }, index) => (
            <Option
              key={id}
              value={id}
              aria-label={`Page ${index + 1}`}
              className={`min-h-[36px] min-w-[36px] rounded-tag border font-serif font-semibold pointer-coarse:min-h-11 pointer-coarse:min-w-11 ${id === page.id ? 'border-ink bg-sheet shadow-[inset_0_-3px_0_var(--color-verdigris)]' : 'border-rule bg-card hover:bg-blotter'}`}
            >
              {index + 1}
            </Option>
          ))}
        </OneOf>
      )}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(168px,1fr))] gap-x-5 gap-y-6">
        {rows.map((copy) => (
          <li key={copy.id} data-state={copy.state}>
            <Link
              to={`/handout/${handout.id}/pile/${copy.id}?page=${page.id}`}
              className="group block text-ink no-underline"
            >
              <PagePicture
                key={page.id}
                copy={copy.id}
                page={page}
                look={looks.get(copy.id)}
                label={`Page ${told.pages.indexOf(page) + 1} of ${copy.name}`}
              />
              <span className="mt-2 block truncate font-semibold group-hover:underline">{copy.name}</span>
              <span className="flex items-center justify-between gap-2">
                <StateTag state={copy.state} />
                <Given sum={sums.find((sum) => sum.copy === copy.id)} />
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  )
}

interface PagePictureProps {
  copy: string
  page: HandoutLooks['pages'][number]
  look: string | undefined
  label: string
}

/** A page of a copy as school drew it. While the next picture is on its way, the one before stays. */
function PagePicture({ copy, page, look, label }: PagePictureProps) {
  const [missing, setMissing] = useState<string>()
  const frame = 'flex items-center justify-center bg-sheet text-small text-ink-soft'
  const ratio = { aspectRatio: `${page.width} / ${page.height}` }
  if (look === undefined || missing === look)
    return (
      <span className={`${frame} border border-dashed border-rule`} style={ratio}>
        {look === undefined ? 'not for this copy' : 'cannot be drawn'}
      </span>
    )
  return (
    <img
      src={`${urlOf(CALLS.pagePicture, { copy, page: page.id })}?of=${look}`}
      alt={label}
      loading="lazy"
      decoding="async"
      style={ratio}
      onError={() => setMissing(look)}
      className={`${frame} w-full shadow-[0_1px_3px_rgb(30_43_58/0.25)] group-hover:shadow-[0_2px_9px_rgb(30_43_58/0.3)]`}
    />
  )
}
