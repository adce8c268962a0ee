import { useState } from 'react'
import { sayProblem } from './notices.ts'

interface TitleFieldProps {
  label: string
  title: string
  longest: number
  onRename: (title: string) => Promise<void>
}

/** A title that is renamed where it stands: by Enter or by leaving it. Left empty, or refused, it is as before. */
export function TitleField({ label, title, longest, onRename }: TitleFieldProps) {
  const [typed, setTyped] = useState<{ readonly text: string; readonly over: string }>()
  // What was typed over a name that is another by now is over: it would be given back the name it had.
  const text = typed?.over === title ? typed.text : title
  const rename = async () => {
    const wanted = text.trim()
    if (wanted === '' || wanted === title) return setTyped(undefined)
    try {
      await onRename(wanted)
    } catch (error) {
      setTyped(undefined)
      sayProblem(error)
    }
  }
  return (
    <h1 className="min-w-[260px] flex-1 text-head">
      <input
        aria-label={label}
        value={text}
        maxLength={longest}
        onChange={(event) => setTyped({ text: event.target.value, over: title })}
        onBlur={() => void rename()}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        className="w-full rounded-tag border border-transparent bg-transparent px-1 py-0.5 hover:border-rule focus:border-ink-soft focus:bg-sheet"
      />
    </h1>
  )
}
