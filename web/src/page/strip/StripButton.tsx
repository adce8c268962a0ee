import type { LucideIcon } from 'lucide-react'
import type { ComponentProps } from 'react'

interface StripButtonProps extends Omit<ComponentProps<'button'>, 'children'> {
  icon: LucideIcon
  label: string
  /** Said in place of the drawing: what changes by the second. */
  count?: string | undefined
  pressed?: boolean | undefined
  /** It is there for a moment only, and worth a look. */
  offered?: boolean
  hint?: string | undefined
}

/** A tool in the strip: a drawing with its word under it, large enough for a finger. */
export function StripButton({
  icon: Icon,
  label,
  count,
  pressed,
  offered = false,
  hint,
  ...button
}: StripButtonProps) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      title={hint}
      {...button}
      className={`flex h-[52px] min-w-[56px] shrink-0 flex-col items-center justify-center gap-0.5 rounded-tag border px-2 text-small font-semibold whitespace-nowrap disabled:opacity-40 @max-[900px]:max-w-[64px] @max-[900px]:min-w-[46px] @max-[900px]:px-1 @max-[900px]:leading-tight @max-[900px]:whitespace-normal @max-[800px]:max-w-[54px] @max-[800px]:min-w-[44px] @max-[800px]:px-0.5 ${
        pressed
          ? 'border-ink bg-sheet'
          : offered
            ? 'border-verdigris bg-sheet text-verdigris'
            : 'border-transparent hover:bg-blotter'
      }`}
    >
      {count === undefined ? (
        <Icon size={20} aria-hidden="true" strokeWidth={1.9} />
      ) : (
        <span className="tabular leading-5">{count}</span>
      )}
      <span className="tabular @max-[800px]:text-xs">{label}</span>
    </button>
  )
}
