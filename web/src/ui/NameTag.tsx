import type { ComponentProps } from 'react'

/** Somebody's name, picked by a press. */
export function NameTag({
  picked,
  className = '',
  ...button
}: ComponentProps<'button'> & { picked: boolean }) {
  return (
    <button
      {...button}
      type="button"
      aria-pressed={picked}
      className={`min-h-[34px] pointer-coarse:min-h-11 rounded-tag border bg-sheet px-2.5 py-1 ${picked ? 'border-ink outline-2 outline-ink' : 'border-rule'} ${className}`}
    />
  )
}
