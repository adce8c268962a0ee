import type { ComponentProps } from 'react'

interface RowButtonProps extends ComponentProps<'button'> {
  /** `here` marks the row on which one is; nothing where rows are only pressed. */
  here?: boolean | undefined
  /** Whose colour marks it: what is prepared or what is marked. */
  tone?: 'ink' | 'madder'
}

/** A row of a list that is pressed as a whole; large enough for a finger where fingers press. */
export function RowButton({ here, tone = 'ink', className = '', ...button }: RowButtonProps) {
  const edge = tone === 'ink' ? 'border-ink' : 'border-madder'
  const mark =
    here === undefined ? '' : here ? `border-l-4 ${edge} bg-sheet font-bold` : 'border-l-4 border-transparent'
  return (
    <button
      type="button"
      {...button}
      className={`flex w-full text-left pointer-coarse:min-h-11 hover:bg-sheet ${mark} ${className}`}
    />
  )
}
