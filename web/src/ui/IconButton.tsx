import type { LucideIcon } from 'lucide-react'
import type { ComponentProps } from 'react'

interface IconButtonProps extends Omit<ComponentProps<'button'>, 'children' | 'aria-label'> {
  icon: LucideIcon
  /** What it does, for those who hear it, and for whoever rests a mouse on it. */
  label: string
  size?: number
  /** In a frame of its own, where it stands among fields and buttons. */
  framed?: boolean
}

/** A small action beside a thing, said by a sign alone. */
export function IconButton({
  icon: Icon,
  label,
  size = 16,
  framed = false,
  className = '',
  ...button
}: IconButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      {...button}
      className={`grid h-8 w-8 pointer-coarse:h-11 pointer-coarse:w-11 shrink-0 place-items-center rounded-tag disabled:opacity-40 ${
        framed
          ? 'min-w-9 border border-rule bg-sheet hover:border-ink-soft aria-pressed:border-ink'
          : 'text-ink-soft hover:bg-blotter hover:text-ink'
      } ${className}`}
    >
      <Icon size={size} aria-hidden="true" />
    </button>
  )
}
