/** The product's own sign: a sheet coming back. */
export function Emblem({ size = 26 }: { size?: number }) {
  return (
    <svg
      width={size * 0.86}
      height={size}
      viewBox="0 0 24 28"
      fill="none"
      stroke="var(--color-ink)"
      strokeWidth="2"
      aria-hidden="true"
      className="shrink-0"
    >
      <path d="M3 2h12l6 6v18H3z" fill="var(--color-sheet)" />
      <path d="M15 2v6h6z" fill="var(--color-madder)" stroke="none" />
      <path d="M8 17h8M11 14l-3 3 3 3" />
    </svg>
  )
}
