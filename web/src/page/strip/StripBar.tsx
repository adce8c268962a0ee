import { type ReactNode, useContext } from 'react'
import { Upright } from './upright.ts'

interface StripBarProps {
  label: string
  /** Along a side instead of below. */
  upright: boolean
  children: ReactNode
}

/** A row of controls at a page. Where it is narrow it slides; its parts answer to the room that it has. */
export function StripBar({ label, upright, children }: StripBarProps) {
  return (
    <Upright value={upright}>
      <div className={`flex shrink-0 ${upright ? '' : '@container'}`}>
        <div
          role="toolbar"
          aria-label={label}
          aria-orientation={upright ? 'vertical' : 'horizontal'}
          className={`flex items-center gap-1 border-rule bg-card select-none ${
            upright
              ? 'w-[92px] flex-col overflow-x-hidden overflow-y-auto scroll-py-[130px] border-x px-1.5 py-3 [&_button]:max-w-full [&_button]:text-center [&_button]:leading-tight [&_button]:whitespace-normal'
              : 'min-w-0 flex-1 overflow-x-auto scroll-px-[130px] border-t px-3 py-2 @max-[900px]:gap-0.5 @max-[900px]:px-1.5'
          }`}
        >
          <span className={upright ? 'my-auto' : 'mx-auto'} />
          {children}
          <span className={upright ? 'my-auto' : 'mx-auto'} />
        </div>
      </div>
    </Upright>
  )
}

/** Part of a row that stays in sight, however far the row has slid; in a very narrow one it stands first. */
export function StaysInSight({ children }: { children: ReactNode }) {
  const upright = useContext(Upright)
  return (
    <div
      className={`sticky z-10 flex items-center gap-[inherit] bg-card ${
        upright
          ? '-top-3 -bottom-3 flex-col self-stretch'
          : '-right-3 -left-3 @max-[900px]:-right-1.5 @max-[900px]:-left-1.5 @max-[640px]:order-first'
      }`}
    >
      {children}
    </div>
  )
}
