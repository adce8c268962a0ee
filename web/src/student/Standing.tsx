import type { CopyState, CopyWhole } from '@hand-back/core'
import { type ReactNode, useState } from 'react'
import { Corner } from '../ui/Corner.tsx'

/** A line that says where the copy stands when it is not simply being worked on, or what the teacher said at the start. */
export function Standing({ state, copy }: { state: CopyState; copy: CopyWhole }) {
  const [read, setRead] = useState(false)
  if (state === 'handed in') return <Line state={state}>This is with {copy.teacher.name} now.</Line>
  if (state === 'handed back')
    return <Line state={state}>{copy.teacher.name} has handed this back. Their ink lies on your pages.</Line>
  if (state === 'another go')
    return (
      <Line state={state}>{copy.teacher.name} asks for another go. What they wrote stays; you write on.</Line>
    )
  if (!copy.instructions || read) return null
  return (
    <div className="flex shrink-0 items-center gap-3 border-b border-rule bg-ochre-soft px-5 py-0.5">
      <p className="flex-1 whitespace-pre-line">{copy.instructions}</p>
      <button
        type="button"
        className="min-h-[44px] min-w-[60px] whitespace-nowrap font-semibold underline underline-offset-4"
        onClick={() => setRead(true)}
      >
        Got it
      </button>
    </div>
  )
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
