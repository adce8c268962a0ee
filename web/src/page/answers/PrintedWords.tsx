import { type WorksheetPage, wordsOf } from '@hand-back/core'

/** What is printed on a page in words, in reading order, for those who hear the page instead of seeing it. */
export function PrintedWords({ page }: { page: WorksheetPage }) {
  const inOrder = [...page.printed].sort((a, b) => a.y - b.y || a.x - b.x)
  const words = inOrder.flatMap((item) => {
    const text = wordsOf(item)
    return text ? [{ id: item.id, text }] : []
  })
  if (words.length === 0) return null
  return (
    <section aria-label="Printed on this page" className="sr-only">
      {words.map(({ id, text }) => (
        <p key={id}>{text}</p>
      ))}
    </section>
  )
}
