import type { ButtonHTMLAttributes, ReactNode } from 'react'
import { Link } from 'react-router'

type Look = 'main' | 'plain' | 'quiet' | 'back'

const LOOKS: Record<Look, string> = {
  /** The one main action on a screen. */
  main: 'bg-verdigris text-sheet border-verdigris hover:bg-verdigris-deep',
  plain: 'bg-sheet text-ink border-rule hover:border-ink-soft',
  quiet: 'bg-transparent text-ink border-transparent hover:bg-blotter',
  /** Handing back: the feedback's own colour. */
  back: 'bg-madder text-sheet border-madder hover:bg-ink hover:border-ink',
}

const BASE =
  'inline-flex min-h-[38px] pointer-coarse:min-h-11 items-center justify-center gap-2 rounded-tag border px-3.5 py-1.5 font-semibold leading-tight no-underline transition-colors disabled:opacity-50'

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  look?: Look
  /** Large enough for a finger. */
  large?: boolean
}

export function Button({
  look = 'plain',
  large = false,
  className = '',
  type = 'button',
  ...rest
}: ButtonProps) {
  return (
    <button
      type={type}
      className={`${BASE} ${LOOKS[look]} ${large ? 'min-h-[44px]' : ''} ${className}`}
      {...rest}
    />
  )
}

export function LinkButton({
  to,
  look = 'plain',
  large = false,
  children,
}: {
  to: string
  look?: Look
  large?: boolean
  children: ReactNode
}) {
  return (
    <Link
      to={to}
      className={`${BASE} shrink-0 whitespace-nowrap ${LOOKS[look]} ${large ? 'min-h-[44px]' : ''}`}
    >
      {children}
    </Link>
  )
}
