import {
  CALLS,
  type CopyLog,
  type CopyState,
  type CopyWhole,
  marksIn,
  mayRead,
  sayGoFor,
  sayMarks,
  sumGiven,
} from '@hand-back/core'
import { type ReactNode, useState } from 'react'
import { urlOf } from '../api/ask.ts'
import { readNote, writeNote } from '../deviceNotes.ts'
import { Corner } from '../ui/Corner.tsx'
import { TextButton } from '../ui/TextButton.tsx'

interface StandingProps {
  state: CopyState
  round: number
  /** The questions that this go is for; null: everything. */
  goFor: readonly string[] | null
  copy: CopyWhole
  log: CopyLog
}

/** A line that says where the copy stands when it is not simply being worked on, or what the teacher said at the start. */
export function Standing({ state, round, goFor, copy, log }: StandingProps) {
  const [read, setRead] = useState(false)
  const news = useChangeNews(copy)
  const at = sayGoFor(goFor, copy.questions)
  if (state === 'handed in') return <Line state={state}>This is with {copy.teacher.name} now.</Line>
  if (state === 'handed back')
    return (
      <Line state={state}>
        {copy.teacher.name} has handed this back. What they wrote is on your pages.{' '}
        <InMarks log={log} state={state} round={round} />
      </Line>
    )
  if (state === 'another go')
    return (
      <Line state={state}>
        {copy.teacher.name} asks for another go{at && ` at ${at}`}. What they wrote stays; you write on.{' '}
        <InMarks log={log} state={state} round={round} />
      </Line>
    )
  if (news.words)
    return (
      <div className="flex shrink-0 items-center gap-3 border-b border-rule bg-ochre-soft px-5 py-0.5">
        <p className="flex-1">{news.words} What you made stays where it was.</p>
        <GotIt onPress={news.read} />
      </div>
    )
  const told = copy.directions || copy.spoken
  if (!told || read) return null
  return (
    <div className="flex shrink-0 items-center gap-3 border-b border-rule bg-ochre-soft px-5 py-0.5">
      <p className="flex-1 whitespace-pre-line">{copy.directions}</p>
      {copy.spoken && (
        // biome-ignore lint/a11y/useMediaCaption: spoken by the teacher a moment ago; what is written stands beside it
        <audio
          controls
          src={urlOf(CALLS.spoken, { spoken: copy.spoken.id })}
          aria-label="What your teacher says"
          className="h-10 max-w-[260px] min-w-[180px]"
        />
      )}
      <GotIt onPress={() => setRead(true)} />
    </div>
  )
}

/** What the marks handed back come to, where there are any. */
function InMarks({ log, state, round }: Pick<StandingProps, 'log' | 'state' | 'round'>) {
  // What was handed back by mistake and brought back is on this device, and not its student's to read yet.
  const marks = marksIn(log.pages.values(), (placed) =>
    mayRead('student', { state, round }, placed.layer, placed.round),
  )
  const { given, full } = sumGiven(marks)
  if (full === 0) return null
  return (
    <b className="font-serif whitespace-nowrap text-madder">
      {sayMarks(given)} of {sayMarks(full)} marks
    </b>
  )
}

export function GotIt({ onPress }: { onPress: () => void }) {
  return (
    <TextButton look="plain" onClick={onPress}>
      Got it
    </TextButton>
  )
}

/** Which pages came or changed since this device was last told “got it”, in words. */
function useChangeNews({ id, changes, pages }: CopyWhole) {
  const key = `changes seen ${id}`
  const [seen, setSeen] = useState(() => Number(readNote(key) ?? 0))
  const fresh = changes.filter(({ at }) => at > seen)
  const numbers = (what: 'new' | 'changed') =>
    fresh
      .filter((change) => change.what === what)
      .map(({ page }) => pages.findIndex((each) => each.id === page) + 1)
  const say = (list: number[], one: string, many: string) =>
    list.length === 0
      ? []
      : [list.length === 1 ? `Page ${list[0]} ${one}.` : `Pages ${list.join(', ')} ${many}.`]
  return {
    words: [
      ...say(numbers('new'), 'is new', 'are new'),
      ...say(numbers('changed'), 'was changed by your teacher', 'were changed by your teacher'),
    ].join(' '),
    read: () => {
      const latest = Math.max(...changes.map(({ at }) => at))
      writeNote(key, String(latest))
      setSeen(latest)
    },
  }
}

function Line({ state, children }: { state: CopyState; children: ReactNode }) {
  return (
    <p
      className={`flex shrink-0 items-center gap-2.5 border-b border-rule px-5 py-2 ${state === 'handed in' ? 'bg-card' : 'bg-madder-soft'}`}
    >
      <Corner state={state} size={20} />
      <span>{children}</span>
    </p>
  )
}
