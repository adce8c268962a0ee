import { CALLS, MOST_WATCHED, MOST_WATCHED_LETTERS, type Person } from '@hand-back/core'
import { useState } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { useHabits } from '../../page/habits/useHabits.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { useAct } from '../../ui/useAct.ts'

/** The words that a teacher wants to be told of where students pin them to a page: one list for all their hand-outs. */
export function WatchedWords({ person, handout }: { person: Person; handout: string }) {
  const [habits, change] = useHabits(person.id)
  const [open, setOpen] = useState(false)
  const { watchedWords = [] } = habits
  const keep = async (words: string[]) => {
    await ask(CALLS.changeHabits, {}, { watchedWords: words })
    change({ watchedWords: words })
    await refresh(CALLS.handoutWork, { handout })
    setOpen(false)
  }
  return (
    <>
      <Button look="quiet" onClick={() => setOpen(true)}>
        Words to be told of{watchedWords.length > 0 && ` (${watchedWords.length})`}
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} title="Words to be told of">
        <List words={watchedWords} onKeep={keep} />
      </Dialog>
    </>
  )
}

function List({ words, onKeep }: { words: readonly string[]; onKeep: (words: string[]) => Promise<void> }) {
  const [text, setText] = useState(words.join('\n'))
  const { run, busy, problem } = useAct(() => onKeep(wordsOf(text)))
  return (
    <div className="flex flex-col gap-4">
      <label className="flex flex-col gap-2">
        When a student pins one of these to a page, the list of copies says so, and so does the pin. Only you
        see it. One word, or a few, on each line.
        <textarea rows={8} value={text} onChange={(event) => setText(event.target.value)} className={INPUT} />
      </label>
      {problem && (
        <p role="alert" className="text-madder">
          {problem}
        </p>
      )}
      <Button look="main" disabled={busy} onClick={() => void run()} className="self-end">
        Done
      </Button>
    </div>
  )
}

/** Each line a word, every one once. */
const wordsOf = (text: string): string[] =>
  [
    ...new Set(
      text
        .split('\n')
        .map((line) => line.trim().slice(0, MOST_WATCHED_LETTERS))
        .filter((line) => line !== ''),
    ),
  ].slice(0, MOST_WATCHED)
