import { type CopySum, sayMarks } from '@hand-back/core'

/** Whether there is anything to say of what a copy was given. */
export const hasMarks = ({ full, given, left }: CopySum): boolean => full > 0 && (given > 0 || left === 0)

/** What a copy was given, `whole` with what it could have been; while questions are left, pale. */
export function Given({ sum, whole = false }: { sum: CopySum | undefined; whole?: boolean }) {
  if (!sum || !hasMarks(sum)) return null
  const { given, full, left } = sum
  return (
    <span
      title={left > 0 ? `${left} without marks` : `of ${sayMarks(full)}`}
      className={`tabular font-serif font-semibold whitespace-nowrap ${left > 0 ? 'text-ink-soft' : 'text-madder'}`}
    >
      {sayMarks(given)}
      {left > 0 && ' …'}
      {whole && <span className="font-normal text-ink-soft"> of {sayMarks(full)}</span>}
    </span>
  )
}
