import { pagesNear } from '@hand-back/core'
import { FilePlus2 } from 'lucide-react'
import { useLayoutEffect, useRef, useState } from 'react'
import { GoToPage } from './GoToPage.tsx'

/** Beyond so many, tabs are a short list: the ends, and those around the one in hand. */
const MOST_TABS = 12

/** The fewest that still say where one is: the ends, the gaps, and the neighbours of the one in hand. */
const FEWEST_TABS = 7

/** A tab and the space to the next, in CSS pixels. */
const TAB = 54

/** What stands above and below the tabs of a long copy: its number, the way to all pages. */
const ENDS = 120

/** The pages of a copy as tabs at its side. */
export function PageTabs({
  count,
  current,
  onTurn,
  written,
  feedback,
  noted,
  pinned,
  onAll,
}: {
  count: number
  current: number
  onTurn: (index: number) => void
  written?: ReadonlySet<number>
  /** Pages with feedback on them. */
  feedback?: ReadonlySet<number>
  /** A word about a page, by its index. */
  noted?: ReadonlyMap<number, string>
  /** Pages with pins that are not done. */
  pinned?: ReadonlySet<number>
  /** Shows all pages at a glance, and what can be done with them. */
  onAll?: () => void
}) {
  const nav = useRef<HTMLElement>(null)
  const most = useTabsThatFit(nav)
  if (count < 2 && !onAll) return null
  return (
    <nav
      ref={nav}
      aria-label="Pages"
      className="flex w-[56px] shrink-0 flex-col gap-1.5 overflow-y-auto bg-blotter py-4 max-phone:w-[48px]"
    >
      {count > MOST_TABS && (
        <span className="self-end">
          <GoToPage count={count} current={current} onTurn={onTurn} />
        </span>
      )}
      {pagesNear(count, current, count > MOST_TABS ? most : MOST_TABS).map((index, place) => {
        if (index === undefined)
          return (
            <span
              key={place < most / 2 ? 'gap above' : 'gap below'}
              aria-hidden="true"
              className="w-[44px] self-end text-center leading-none text-ink-soft"
            >
              ⋮
            </span>
          )
        const here = index === current
        return (
          <button
            key={index}
            type="button"
            aria-label={`Page ${index + 1}${written?.has(index) ? ', written on' : ''}${feedback?.has(index) ? ', with feedback' : ''}${noted?.has(index) ? `, ${noted.get(index)}` : ''}${pinned?.has(index) ? ', with pins' : ''}`}
            aria-current={here ? 'page' : undefined}
            onClick={() => onTurn(index)}
            className={`relative min-h-[48px] shrink-0 rounded-l-md border border-r-0 border-rule font-serif text-lg font-semibold ${here ? 'w-[54px] self-end bg-sheet max-phone:w-[46px] shadow-[0_1px_5px_rgb(30_43_58/0.2)]' : 'w-[44px] self-end bg-card text-ink-soft hover:bg-sheet'}`}
          >
            {index + 1}
            {noted?.has(index) && (
              <span aria-hidden="true" className="block text-xs leading-none font-sans text-ochre">
                {noted.get(index)}
              </span>
            )}
            {pinned?.has(index) && (
              <span
                aria-hidden="true"
                className="absolute top-2 left-1.5 h-2.5 w-2.5 rounded-full rounded-bl-none bg-slate"
              />
            )}
            {feedback?.has(index) && (
              <span
                aria-hidden="true"
                className="absolute right-3 bottom-2 left-3 h-[3px] rounded-full bg-madder"
              />
            )}
            {written?.has(index) && (
              <span aria-hidden="true" className="absolute right-3 bottom-2 left-3 h-[2px] bg-slate" />
            )}
          </button>
        )
      })}
      {onAll && (
        <button
          type="button"
          aria-label="All pages, new pages, more room"
          title="All pages, new pages, more room"
          onClick={onAll}
          className="grid min-h-[48px] w-[44px] shrink-0 place-items-center self-end rounded-l-md border border-r-0 border-dashed border-ink-soft bg-card text-ink-soft hover:bg-sheet hover:text-ink"
        >
          <FilePlus2 size={20} aria-hidden="true" />
        </button>
      )}
    </nav>
  )
}

/** So many tabs that none of a short list is below the foot of what is seen. */
function useTabsThatFit(nav: React.RefObject<HTMLElement | null>): number {
  const [most, setMost] = useState(MOST_TABS)
  useLayoutEffect(() => {
    if (!nav.current) return
    const watch = new ResizeObserver(([entry]) => {
      const fit = Math.floor((entry!.contentRect.height - ENDS) / TAB)
      setMost(Math.min(MOST_TABS, Math.max(FEWEST_TABS, fit)))
    })
    watch.observe(nav.current)
    return () => watch.disconnect()
  }, [nav])
  return most
}
