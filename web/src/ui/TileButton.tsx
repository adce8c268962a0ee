import type { ComponentProps } from 'react'

interface TileButtonProps extends ComponentProps<'button'> {
  /** It is the chosen one; nothing where none can be. */
  chosen?: boolean | undefined
}

/** A picture with its words under it, pressed as a whole. */
export function TileButton({ chosen, className = '', ...button }: TileButtonProps) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      {...button}
      className={`flex flex-col items-center gap-1 rounded-tag border ${chosen ? 'border-ink bg-sheet outline outline-ink' : 'border-rule bg-sheet hover:border-ink-soft'} ${className}`}
    />
  )
}
