import type { LucideIcon } from 'lucide-react'
import type { ComponentProps } from 'react'

interface IconButtonProps extends Omit<ComponentProps<'button'>, 'children' | 'aria-label'> {
  icon: LucideIcon
  /** What it does, for those who hear it, and for whoever rests a mouse on it. */
  label: string
  size?: number
}

/** A small action beside a thing, said by a sign alone. */
export function IconButton({ icon: Icon, label, size = 16, className = '', ...button }: IconButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      {...button}
      className={`grid h-8 w-8 pointer-coarse:h-11 pointer-coarse:w-11 shrink-0 place-items-center rounded-tag text-ink-soft hover:bg-blotter hover:text-ink disabled:opacity-40 ${className}`}
    >
      <Icon size={size} aria-hidden="true" />
    </button>
  )
}
