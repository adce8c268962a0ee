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
  const [text, setText] = useState(title)
  const rename = async () => {
    const wanted = text.trim()
    if (wanted === '' || wanted === title) return setText(title)
    try {
      await onRename(wanted)
    } catch (error) {
      setText(title)
      sayProblem(error)
    }
  }
  return (
    <h1 className="min-w-[260px] flex-1 text-head">
      <input
        aria-label={label}
        value={text}
        maxLength={longest}
        onChange={(event) => setText(event.target.value)}
        onBlur={() => void rename()}
        onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        className="w-full rounded-tag border border-transparent bg-transparent px-1 py-0.5 hover:border-rule focus:border-ink-soft focus:bg-sheet"
      />
    </h1>
  )
}
