import { answersIn, type Item, isThing, textOf, type WorksheetPage } from '@hand-back/core'
import { wordsOf } from './answers/PrintedWords.tsx'

/** What is printed and typed on a page, in the order in which it reads. */
export function wordsToRead(page: WorksheetPage, items: readonly Item[]): string[] {
  const answers = answersIn(items)
  const printed = page.printed.map((item) => {
    const label = 'label' in item ? item.label : ''
    const options = item.kind === 'choice' ? item.options.map(({ text }) => text).join(', ') : ''
    const typed = item.kind === 'typed' ? textOf(answers.get(item.id)?.value) : ''
    return { ...item, words: [wordsOf(item), label, options, typed] }
  })
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
