import { type ComponentProps, createContext, type KeyboardEvent, type ReactNode, useContext } from 'react'

interface Choosing {
  readonly value: string | undefined
  readonly choose: (value: string) => void
}

const Chosen = createContext<Choosing>({ value: undefined, choose: () => {} })

interface OneOfProps<Value extends string> {
  /** What is chosen here, for those who hear it. */
  label: string
  value: Value | undefined
  onChoose: (value: Value) => void
  /** Pressed again, what is chosen is chosen no more. */
  onClear?: () => void
  className?: string
  children: ReactNode
}

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }

/** One of several, side by side: a press chooses, arrow keys go through them (WAI-ARIA, radio group). */
export function OneOf<Value extends string>({
  label,
  value,
  onChoose,
  onClear,
  className,
  children,
}: OneOfProps<Value>) {
  const choose = (to: string) => (to === value ? onClear?.() : onChoose(to as Value))
  return (
    <div role="radiogroup" aria-label={label} className={className} onKeyDown={goThrough}>
      <Chosen value={{ value, choose }}>{children}</Chosen>
    </div>
  )
}

/** One that can be chosen; `data-state` says whether it is. */
export function Option({ value, ...button }: ComponentProps<'button'> & { value: string }) {
  const { value: chosen, choose } = useContext(Chosen)
  const isChosen = chosen === value
  return (
    // biome-ignore lint/a11y/useSemanticElements: it shows a colour, a paper, letters: more than a radio's dot
    <button
      {...button}
      type="button"
      role="radio"
      aria-checked={isChosen}
      data-state={isChosen ? 'on' : 'off'}
      onClick={() => choose(value)}
    />
  )
}

/** What lies over the page takes the keys first: an arrow here moves nothing on it. */
function goThrough(event: KeyboardEvent<HTMLElement>): void {
  const step = STEPS[event.key]
  if (step === undefined) return
  const all = [...event.currentTarget.querySelectorAll<HTMLElement>('[role=radio]')]
  const at = all.indexOf(document.activeElement as HTMLElement)
  if (at < 0) return
  event.preventDefault()
  event.stopPropagation()
  all[(at + step + all.length) % all.length]!.focus()
}
