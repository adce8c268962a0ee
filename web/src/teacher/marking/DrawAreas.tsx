import { type Box, type Point, type Question, readMarks, type WorksheetPage } from '@hand-back/core'
import { type PointerEvent, useState } from 'react'
import { toPage, toScreen, type View } from '../../page/view/view.ts'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'

interface DrawAreasProps {
  page: WorksheetPage
  view: View
  /** The questions that are there already. */
  questions: readonly Question[]
  onAdd: (question: Question) => void
}

/** Less than this across or down, in points, is a press and no area. */
const LEAST = 12

/** Lies over the page while the teacher draws where questions are: a box, then its label and full marks. */
export function DrawAreas({ page, view, questions, onAdd }: DrawAreasProps) {
  const [from, setFrom] = useState<Point>()
  const [area, setArea] = useState<Box>()
  const placeOf = (event: PointerEvent<HTMLElement>): Point => {
    const { left, top } = event.currentTarget.getBoundingClientRect()
    return within(page, toPage(view, { x: event.clientX - left, y: event.clientY - top }))
  }
  const drawn = from === undefined && area !== undefined
  return (
    <div
      data-takes="one"
      data-testid="draw-areas"
      className="pointer-events-auto absolute inset-0 cursor-crosshair touch-none"
      onPointerDown={(event) => {
        if (event.target !== event.currentTarget || !event.isPrimary) return
        event.currentTarget.setPointerCapture(event.pointerId)
        const at = placeOf(event)
        setFrom(at)
        setArea({ ...at, width: 0, height: 0 })
      }}
      onPointerMove={(event) => from && setArea(between(from, placeOf(event)))}
      onPointerCancel={() => {
        setFrom(undefined)
        setArea(undefined)
      }}
      onPointerUp={() => {
        setFrom(undefined)
        if (area && (area.width < LEAST || area.height < LEAST)) setArea(undefined)
      }}
    >
      {questions.flatMap(({ id, label, areas }) =>
        areas.map(
          (there) =>
            there.page === page.id && (
              <Frame key={`${id} ${there.x} ${there.y}`} box={there} view={view} label={label} />
            ),
        ),
      )}
      {area && <Frame box={area} view={view} label="" />}
      {drawn && (
        <AboutArea
          key={`${area.x} ${area.y}`}
          at={toScreen(view, { x: area.x, y: area.y + area.height })}
          label={nextLabel(questions)}
          onCancel={() => setArea(undefined)}
          onAdd={(label, fullMarks) => {
            onAdd({ id: crypto.randomUUID(), label, fullMarks, areas: [{ page: page.id, ...area }] })
            setArea(undefined)
          }}
        />
      )}
    </div>
  )
}

function Frame({ box, view, label }: { box: Box; view: View; label: string }) {
  const { x, y } = toScreen(view, box)
  return (
    <span
      className="pointer-events-none absolute border-l-4 border-madder bg-madder/10 px-1.5 font-serif font-semibold text-madder"
      style={{ left: x, top: y, width: box.width * view.scale, height: box.height * view.scale }}
    >
      {label}
    </span>
  )
}

interface AboutAreaProps {
  /** The lower left corner of the area, in the window. */
  at: Point
  label: string
  onAdd: (label: string, fullMarks: number) => void
  onCancel: () => void
}

/** What the question of an area is called, and how many marks there are for it. */
function AboutArea({ at, label: begun, onAdd, onCancel }: AboutAreaProps) {
  const [label, setLabel] = useState(begun)
  const [worth, setWorth] = useState('')
  const hundredths = readMarks(worth)
  const good = label.trim() !== '' && hundredths !== undefined && hundredths > 0 && hundredths <= 100_000
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        if (good) onAdd(label.trim(), hundredths / 100)
      }}
      onKeyDown={(event) => {
        event.stopPropagation()
        if (event.key === 'Escape') onCancel()
      }}
      className="absolute z-20 flex items-end gap-2 rounded-md border border-rule bg-card p-3 shadow-[0_4px_18px_rgb(30_43_58/0.2)]"
      style={{ left: Math.max(8, at.x), top: Math.max(8, at.y + 6) }}
    >
      <label className="flex flex-col text-small font-semibold">
        Question
        <input
          value={label}
          maxLength={40}
          onChange={(event) => setLabel(event.target.value)}
          className={`${INPUT} w-[72px]`}
        />
      </label>
      <label className="flex flex-col text-small font-semibold">
        Full marks
        <input
          // biome-ignore lint/a11y/noAutofocus: it opens by the teacher's own drag, to be filled in at once
          autoFocus
          inputMode="decimal"
          value={worth}
          onChange={(event) => setWorth(event.target.value)}
          className={`${INPUT} w-[72px]`}
        />
      </label>
      <Button look="main" type="submit" disabled={!good}>
        Add
      </Button>
      <Button look="quiet" onClick={onCancel}>
        Cancel
      </Button>
    </form>
  )
}

/** One more than the highest number that a question is called by. */
const nextLabel = (questions: readonly Question[]): string =>
  String(1 + Math.max(0, ...questions.map(({ label }) => Number.parseInt(label, 10) || 0)))

const within = ({ width, height }: WorksheetPage, { x, y }: Point): Point => ({
  x: Math.min(width, Math.max(0, x)),
  y: Math.min(height, Math.max(0, y)),
})

const between = (a: Point, b: Point): Box => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  width: Math.abs(a.x - b.x),
  height: Math.abs(a.y - b.y),
})
