import { CALLS, type FormulaDrawing } from '@hand-back/core'
import type { MathfieldElement } from 'mathlive'
import { useEffect, useId, useRef, useState } from 'react'
import { ask, Problem, sentenceOf } from '../../api/ask.ts'
import { INPUT } from '../../ui/Field.tsx'

/** A formula is drawn when nothing was typed for this long, in milliseconds. */
const REST = 350
/** School that was out of reach is asked again after so long, in milliseconds. */
const TRY_AGAIN = 2500

/** A formula, built in a field that shows it as it will look, or typed as LaTeX. Told when it has been drawn. */
export function FormulaField({
  latex,
  onDrawn,
  onTyping = () => {},
}: {
  latex: string
  onDrawn: (latex: string, drawing: FormulaDrawing) => void
  /** Told that what was drawn is not what stands in the field any more. */
  onTyping?: () => void
}) {
  const [text, setText] = useState(latex)
  const [problem, setProblem] = useState<string>()
  const typed = useId()
  const host = useRef<HTMLDivElement>(null)
  const field = useRef<MathfieldElement>(undefined)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const latest = useRef({ onDrawn, onTyping, wanted: latex })
  Object.assign(latest.current, { onDrawn, onTyping })

  const want = (wanted: string) => {
    setText(wanted)
    latest.current.wanted = wanted
    clearTimeout(timer.current)
    latest.current.onTyping()
    if (wanted.trim() === '') return
    timer.current = setTimeout(async () => {
      try {
        const drawing = await ask(CALLS.drawFormula, {}, { latex: wanted })
        setProblem(undefined)
        if (latest.current.wanted === wanted) latest.current.onDrawn(wanted, drawing)
      } catch (error) {
        if (latest.current.wanted !== wanted) return
        setProblem(sentenceOf(error))
        // School draws formulas: out of reach now, it is asked again.
        if (error instanceof Problem && error.status === 0)
          timer.current = setTimeout(() => want(wanted), TRY_AGAIN)
      }
    }, REST)
  }

  // biome-ignore lint/correctness/useExhaustiveDependencies: the field is made once; later it is told
  useEffect(() => {
    let gone = false
    const fill = ({ MathfieldElement: Field }: typeof import('mathlive')) => {
      if (gone || !host.current) return
      Field.fontsDirectory = '/mathlive-fonts'
      Field.soundsDirectory = null
      const made = new Field()
      made.setAttribute('aria-label', 'Formula')
      made.addEventListener('input', () => want(made.getValue('latex')))
      // Only in the document does it take a value and settings.
      host.current.append(made)
      made.mathVirtualKeyboardPolicy = 'manual'
      made.menuItems = []
      made.value = latest.current.wanted
      field.current = made
      const typing = document.activeElement === document.getElementById(typed)
      if (typing && latest.current.wanted === '') made.focus()
    }
    // Where it cannot be fetched, LaTeX can be typed all the same.
    import('mathlive').then(fill).catch(() => {})
    return () => {
      gone = true
      clearTimeout(timer.current)
      field.current?.remove()
    }
  }, [])

  return (
    <>
      <div className="flex flex-col gap-1">
        <span>Formula</span>
        <div
          ref={host}
          className="min-h-[46px] rounded-tag border border-ink-soft/60 bg-sheet [&>math-field]:block [&>math-field]:w-full [&>math-field]:text-xl [&>math-field::part(menu-toggle)]:hidden"
        />
      </div>
      <div className="flex flex-col gap-1">
        <label htmlFor={typed}>The same in LaTeX</label>
        <input
          id={typed}
          data-first
          className={`${INPUT} font-mono text-sm`}
          maxLength={2000}
          spellCheck={false}
          value={text}
          onChange={(event) => {
            want(event.target.value)
            field.current?.setValue(event.target.value, { silenceNotifications: true })
          }}
        />
      </div>
      {problem && (
        <p role="alert" className="text-sm text-madder">
          {problem}
        </p>
      )}
    </>
  )
}
