import type { ReactNode } from 'react'

interface ShowRowProps {
  label: string
  shown: boolean
  onShow: (shown: boolean) => void
  /** What there is to say while it is shown. */
  children: ReactNode
}

/** A row over the page that shows something more on it, or does not. */
export function ShowRow({ label, shown, onShow, children }: ShowRowProps) {
  return (
    <section className="flex shrink-0 flex-wrap items-center gap-x-5 border-b border-rule bg-card px-4 py-0.5">
      <label className="flex min-h-[32px] cursor-pointer items-center gap-2 font-semibold pointer-coarse:min-h-11">
        <input
          type="checkbox"
          checked={shown}
          onChange={(event) => onShow(event.target.checked)}
          className="h-[18px] w-[18px] accent-verdigris"
        />
        {label}
      </label>
      {shown && children}
    </section>
  )
}
