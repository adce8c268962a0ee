import { answersIn, type Item, isThing, spokenOf, type WorksheetPage } from '@hand-back/core'

/** What is printed and typed on a page, in the order in which it reads. */
export function wordsToRead(page: WorksheetPage, items: readonly Item[]): string[] {
  const answers = answersIn(items)
  const printed = page.printed.map((item) => ({
    ...item,
    words: spokenOf(item, answers.get(item.id)?.value),
  }))
  const laid = items
    .filter(isThing)
    .map((thing) => ({ ...thing, words: ['text' in thing ? thing.text : ''] }))
  return [...printed, ...laid]
    .sort((a, b) => a.y - b.y || a.x - b.x)
    .map(({ words }) => words.filter((each) => each.trim() !== '').join('. '))
    .filter((words) => words !== '')
}

/** Reads words aloud; called while it reads, it stops. */
export function readAloud(words: readonly string[]): void {
  const voice = globalThis.speechSynthesis
  if (voice.speaking) {
    voice.cancel()
    return
  }
  for (const each of words) voice.speak(new SpeechSynthesisUtterance(each))
}
