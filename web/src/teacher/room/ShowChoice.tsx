import type { Question } from '@hand-back/core'
import { OneOf, Option } from '../../ui/OneOf.tsx'

/** What of each copy is shown: `each` is the page they are on, else the id of a page or of a question. */
export type Shown = string

interface ShowChoiceProps {
  pages: readonly { readonly id: string }[]
  questions: readonly Pick<Question, 'id' | 'label'>[]
  shown: Shown
  onShow: (shown: Shown) => void
}

const LOOK =
  'min-h-[36px] min-w-[36px] rounded-tag px-2 font-semibold text-ink-soft pointer-coarse:min-h-11 pointer-coarse:min-w-11 hover:text-ink'
const ON = 'text-ink shadow-[inset_0_-3px_0_var(--color-verdigris)]'

/** Which page of everybody's copy is seen: that where each is, one for all, or the place of one question. */
export function ShowChoice({ pages, questions, shown, onShow }: ShowChoiceProps) {
  const option = (value: string, words: string, name?: string) => (
    <Option
      key={value}
      value={value}
      {...(name ? { 'aria-label': name } : {})}
      className={`${LOOK} ${shown === value ? ON : ''}`}
    >
      {words}
    </Option>
  )
  const isQuestion = questions.some(({ id }) => id === shown)
  return (
    <div className="flex flex-wrap items-center gap-x-1">
      <OneOf
        label="What is shown"
        value={shown}
        onChoose={onShow}
        className="flex flex-wrap items-center gap-x-1"
      >
        {option('each', 'Where each one is')}
        {pages.length > 1 && <span className="ml-2 text-ink-soft">page</span>}
        {pages.length > 1 &&
          pages.map(({ id }, index) => option(id, String(index + 1), `Page ${index + 1} of all`))}
      </OneOf>
      {questions.length > 0 && (
        <select
          aria-label="One question of all"
          value={isQuestion ? shown : ''}
          onChange={(event) => onShow(event.target.value)}
          className={`ml-2 min-h-[36px] max-w-[150px] rounded-tag border border-rule bg-sheet px-2 pointer-coarse:min-h-11 ${isQuestion ? 'font-semibold' : 'text-ink-soft'}`}
        >
          <option value="" disabled>
            one question
          </option>
          {questions.map(({ id, label }) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </select>
      )}
    </div>
  )
}
