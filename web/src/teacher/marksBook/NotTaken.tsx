/** What of a list cannot be used, line by line. */
export function NotTaken({
  wrong: all,
}: {
  wrong: readonly { readonly line: number; readonly why: string }[]
}) {
  // A line that is nobody’s is so in every column.
  const wrong = [...new Map(all.map((each) => [`${each.line} ${each.why}`, each])).values()].sort(
    (a, b) => a.line - b.line,
  )
  if (wrong.length === 0) return null
  return (
    <details className="rounded-tag border border-ochre-fill bg-ochre-soft px-4 py-2" open={wrong.length < 6}>
      <summary className="cursor-pointer font-semibold">
        {wrong.length} {wrong.length === 1 ? 'thing is' : 'things are'} left out
      </summary>
      <ul className="mt-1 max-h-[180px] overflow-auto">
        {wrong.map(({ line, why }) => (
          <li key={`${line} ${why}`}>
            <span className="tabular text-ink-soft">line {line}</span> {why}
          </li>
        ))}
      </ul>
    </details>
  )
}
