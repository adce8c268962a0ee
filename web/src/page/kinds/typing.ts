import type { AnswerActs } from './pageKind.ts'

/** What happens as somebody types in a place. */
export const typing = (acts: AnswerActs, place: string) => ({
  onLetter: (text: string) => acts.typing(place, text),
  onType: (text: string) => {
    acts.answer(place, { text })
    acts.typing(place, undefined)
  },
})
