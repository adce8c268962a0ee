import type { Point } from '@hand-back/core'
import { Check } from 'lucide-react'
import { type ReactNode, useEffect, useRef } from 'react'
import { useStore } from 'zustand'
import { toPage, toScreen, type View } from '../view/view.ts'
import type { Speaking } from '../voice/speaking.ts'
import { PinDrawing } from './PinDrawing.tsx'
import { PinInk } from './PinInk.tsx'
import type { Pins } from './usePins.ts'

export interface PinTagsProps {
  pins: Pins
  page: { readonly id: string; readonly width: number; readonly height: number }
  view: View
  /** What is said at them. */
  speaking: Speaking
}

/** Where something is said on a page: a tag at each place, and the press that says where the next is to be. */
export function PinTags({ pins, page, view, speaking }: PinTagsProps) {
  const { on, draft, open, placing } = pins
  const spoken = useStore(speaking.state, (now) =>
    now.is === 'recording' && now.of.pin && now.of.page === page.id ? now.of : undefined,
  )
  const read = on.find(({ item }) => item.id === open)
  const drawn = read && [read, ...read.answers].some(({ item }) => item.drawn)
  return (
    <>
      {drawn && <PinInk pinned={read} heard={pins.heard} view={view} />}
      {spoken && <PinDrawing drawn={spoken.drawn} speaking={speaking} view={view} />}
      {placing && <Where pins={pins} page={page} view={view} />}
      {on.map(({ item, done, answers }, index) => (
        <Tag
          key={item.id}
          at={toScreen(view, item)}
          pressed={open === item.id}
          isDone={done.length > 0}
          label={`Pin ${index + 1}${done.length > 0 ? ', done' : ''}${sayAnswers(answers.length)}`}
          onPress={() => pins.read(open === item.id ? undefined : item.id)}
        >
          {done.length > 0 ? <Check size={16} aria-hidden="true" /> : index + 1}
        </Tag>
      ))}
      {draft && (
        <span
          aria-hidden="true"
          className="absolute h-3.5 w-3.5 -translate-x-1/2 -translate-y-1/2 rounded-full bg-slate ring-4 ring-slate/30"
          style={place(toScreen(view, draft))}
        />
      )}
    </>
  )
}

const sayAnswers = (count: number) => (count === 0 ? '' : count === 1 ? ', one answer' : `, ${count} answers`)
const place = ({ x, y }: Point) => ({ left: x, top: y })

interface TagProps {
  at: Point
  pressed: boolean
  isDone: boolean
  label: string
  onPress: () => void
  children: ReactNode
}

function Tag({ at, pressed, isDone, label, onPress, children }: TagProps) {
  const look = isDone ? 'border-rule bg-card text-ink-soft' : 'border-slate bg-slate text-sheet'
  return (
    <button
      type="button"
      data-takes="one"
      aria-label={label}
      aria-pressed={pressed}
      onClick={onPress}
      style={place(at)}
      className={`pointer-events-auto absolute z-10 grid h-8 min-w-8 -translate-y-full place-items-center rounded-full rounded-bl-none border-2 px-1 text-sm font-semibold shadow-sm pointer-coarse:h-11 pointer-coarse:min-w-11 ${look} ${
        pressed ? 'ring-3 ring-slate/40' : ''
      }`}
    >
      {children}
    </button>
  )
}

/** Lies over the page until a press, or Enter for its middle, says where. */
function Where({ pins, page, view }: Omit<PinTagsProps, 'speaking'>) {
  const here = useRef<HTMLButtonElement>(null)
  useEffect(() => here.current?.focus(), [])
  const within = ({ x, y }: Point): Point => ({
    x: Math.min(page.width, Math.max(0, x)),
    y: Math.min(page.height, Math.max(0, y)),
  })
  return (
    <button
      ref={here}
      type="button"
      data-takes="one"
      aria-label="Press where you want to pin something"
      className="pointer-events-auto absolute inset-0 z-20 cursor-crosshair touch-none border-4 border-slate/40 focus:outline-none"
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return
        event.stopPropagation()
        pins.leave()
      }}
      onClick={(event) => {
        const { left, top, width, height } = event.currentTarget.getBoundingClientRect()
        // A key presses it too, and says no place.
        const at =
          event.detail === 0
            ? { x: width / 2, y: height / 2 }
            : { x: event.clientX - left, y: event.clientY - top }
        pins.putAt(within(toPage(view, at)))
      }}
    >
      <span className="absolute top-3 left-1/2 -translate-x-1/2 rounded-tag bg-ink px-4 py-2 text-sheet">
        Press where you want to pin something.
      </span>
    </button>
  )
}
