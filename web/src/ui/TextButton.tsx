import type { ComponentProps } from 'react'

/** A press that reads like a sentence: the way round, and what is only put aside. */
export function TextButton({
  look = 'way',
  className = '',
  ...button
}: ComponentProps<'button'> & { look?: 'way' | 'plain' }) {
  return (
    <button
      type="button"
      {...button}
      className={`min-h-[44px] min-w-[60px] whitespace-nowrap font-semibold underline underline-offset-4 ${look === 'way' ? 'self-start text-verdigris' : ''} ${className}`}
    />
  )
}
