import { useDraggable } from '@dnd-kit/core'
import { CALLS, type Item, type Stroke, type Swatch, sayMarks } from '@hand-back/core'
import { Maximize2 } from 'lucide-react'
import { memo, useRef } from 'react'
import { Link } from 'react-router'
import { urlOf } from '../../api/ask.ts'
import type { AnswerActs } from './answerActs.ts'
import { HearVoice } from './HearVoice.tsx'
import { PartPicture } from './PartPicture.tsx'
import { StripInk } from './StripInk.tsx'
import { StripMark } from './StripMark.tsx'
import type { Strip } from './strips.ts'
import { useNear } from './useNear.ts'

export interface StripLook {
  /** The most of a page's width that there is for a strip, in CSS pixels; … */
  readonly width: number
  /** … and CSS pixels a point, where it has room. */
  readonly scale: number
  readonly swatch: Swatch
  readonly byMouse: boolean
  /** Who marks. */
  readonly person: string
  /** An arrow key in a field gives so much more or less, in hundredths. */
  readonly step: number
  readonly full: number
  /** Where a whole copy is opened. */
  readonly pile: string
}

interface AnswerStripProps {
  strip: Strip
  look: StripLook
  acts: AnswerActs
  chosen: boolean
  onChoose: (copy: string, chosen: boolean) => void
  /** After the marks of this one are given. */
  onNext: (copy: string) => void
}

/** One answer, where it stands: filled while it is near, so that there can be hundreds. */
export const AnswerStrip = memo(function AnswerStrip(props: AnswerStripProps) {
  const { strip, look, chosen } = props
  const { row } = strip
  const { attributes, listeners, setNodeRef, isDragging } = useDraggable({ id: row.id })
  const { role: _role, tabIndex: _tab, ...drag } = attributes
  const box = useRef<HTMLElement | null>(null)
  const near = useNear(box)
  const marks = strip.mark ? sayMarks(strip.mark.given) : 'without marks'
  return (
    <article
      ref={(element) => {
        box.current = element
        setNodeRef(element)
      }}
      {...drag}
      {...listeners}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: keys mean the strip that has the focus
      tabIndex={0}
      data-strip={row.id}
      style={{ minHeight: heightOf(strip, look) }}
      aria-label={`Answer of ${row.name}, ${marks}`}
      className={`group flex items-start gap-2.5 rounded-tag border-l-4 p-1.5 outline-none focus-within:border-madder focus-within:bg-sheet focus:border-madder focus:bg-sheet ${
        chosen ? 'border-slate bg-sheet' : 'border-transparent'
      } ${isDragging ? 'opacity-40' : ''}`}
    >
      {near && <Filled {...props} />}
    </article>
  )
})

/** The area as it was worked on, and its marks beside it. */
function Filled({ strip, look, acts, chosen, onChoose, onNext }: AnswerStripProps) {
  const { row, parts, writes } = strip
  const page = parts[0]!.page.id
  return (
    <>
      <span className="min-w-0 flex-1">
        {strip.isEmpty ? (
          <span
            className="grid max-w-full place-items-center border border-dashed border-rule text-ink-soft"
            style={{ width: parts[0]!.cut.width * look.scale, minHeight: 52 }}
          >
            nothing written
          </span>
        ) : (
          parts.map((part) => {
            const scale = Math.min(look.scale, look.width / part.cut.width)
            return (
              <span
                key={`${part.page.id} ${part.area.x} ${part.area.y}`}
                className="mb-1 block w-fit border border-rule"
              >
                <PartPicture copy={row.id} part={part} scale={scale} label={sayPart(strip)}>
                  {writes && (
                    <StripInk
                      part={part}
                      scale={scale}
                      swatch={look.swatch}
                      byMouse={look.byMouse}
                      own={ownInk(strip, part.page.id, look.person)}
                      onStroke={(stroke) => acts.write(strip, part.page.id, stroke)}
                      onRubOut={(items) => acts.rubOut(strip, part.page.id, items)}
                    />
                  )}
                </PartPicture>
              </span>
            )
          })
        )}
        <span className="flex items-center gap-2 text-small text-ink-soft">
          <span className="min-w-0 truncate">{row.name}</span>
          {row.state !== 'handed in' && <span className="whitespace-nowrap">· {row.state}</span>}
          {voicesIn(strip).map(({ id, recording, seconds }) => (
            <HearVoice
              key={id}
              url={urlOf(CALLS.attachment, { copy: row.id, attachment: recording })}
              seconds={seconds}
            />
          ))}
        </span>
      </span>
      <span className="flex w-[104px] shrink-0 flex-col items-start gap-1">
        <StripMark
          name={`Marks of ${row.name}`}
          given={strip.mark?.given}
          before={strip.before?.given}
          suggested={strip.mark ? undefined : strip.look?.suggested}
          full={look.full}
          step={look.step}
          readOnly={!writes}
          onGive={(given) => acts.give([strip], given)}
          onTake={() => acts.give([strip], null)}
          onNext={() => onNext(row.id)}
        />
        <span className="flex items-center gap-1 opacity-0 transition-opacity group-focus-within:opacity-100 group-hover:opacity-100 motion-reduce:transition-none pointer-coarse:opacity-100">
          <Link
            to={`${look.pile}/${row.id}?page=${page}`}
            aria-label={`Open the copy of ${row.name}`}
            title="Open the whole copy (O)"
            data-open
            className="grid size-7 place-items-center rounded-tag text-ink-soft hover:bg-blotter hover:text-ink pointer-coarse:size-11"
          >
            <Maximize2 size={15} aria-hidden="true" />
          </Link>
          <input
            type="checkbox"
            tabIndex={-1}
            checked={chosen}
            aria-label={`Choose the answer of ${row.name}`}
            title="Choose it (Space)"
            onChange={({ target }) => onChoose(row.id, target.checked)}
            className="size-[18px] accent-slate"
          />
        </span>
      </span>
    </>
  )
}

const sayPart = ({ answered }: Strip): string =>
  answered.words === '' ? 'What was written' : `Answer: ${answered.words}`

function ownInk({ answer }: Strip, page: string, person: string): Stroke[] {
  const now = answer.log.get(page)
  if (!now) return []
  return [...now.placed.values()].flatMap(({ item, layer, author, taken }) =>
    layer === 'feedback' && author === person && !taken && item.kind === 'stroke' ? [item] : [],
  )
}

const voicesIn = ({ answered }: Strip): Extract<Item, { kind: 'voice' }>[] =>
  answered.besides.filter((item) => item.kind === 'voice')

/** In CSS pixels: around a strip and under its pictures, around each of them, and where nothing is written. */
const [AROUND, EACH, EMPTY] = [34, 6, 52]

/** How high a strip is, in CSS pixels, before what stands in it is there: nothing jumps when it comes. */
const heightOf = ({ parts, isEmpty }: Strip, { scale, width }: StripLook): number =>
  isEmpty
    ? AROUND + EMPTY
    : parts.reduce((sum, { cut }) => sum + EACH + cut.height * Math.min(scale, width / cut.width), AROUND)
