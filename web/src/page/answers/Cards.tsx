import {
  type Box,
  cardsOn,
  type Drawn,
  drawnCard,
  dropPlaceUnder,
  type Item,
  type LyingCard,
  type Printed,
  settle,
  type WorksheetPage,
} from '@hand-back/core'
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react'
import { bitmapsFor, whenBitmapsArrive } from '../draw/bitmaps.ts'
import { measure } from '../draw/letters.ts'
import { paint } from '../draw/paint.ts'
import type { View } from '../view/view.ts'
import { onScreen } from './onScreen.ts'
import { useLetters } from './useDrawn.ts'

/** What is in the hand: a pen with ink in it `writes` across cards, the eraser's touch takes a card back. */
export type HeldTool = 'writes' | 'rubs' | 'nothing'

interface CardsProps {
  page: WorksheetPage
  items: readonly Item[]
  copy: string
  view: View
  held: HeldTool
  onPut: (id: string, card: string, to: { x: number; y: number }) => void
  onTake: (id: string) => void
}

/**
 * The cards of a page, to be dragged or moved by keys; stacks, of which every drag takes one more. A card
 * dropped on its stack is back in it.
 */
export function Cards({ page, items, copy, view, held, onPut, onTake }: CardsProps) {
  const cards = cardsOn(page, items, copy)
  const put = (id: string, card: Printed<'card'>, box: Box) => {
    if (!card.stack || !liesOn(box, card)) onPut(id, card.id, settle(page, box))
    else if (cards.some((lying) => lying.id === id)) onTake(id)
  }
  return (
    <>
      {page.printed.map(
        (item) =>
          item.kind === 'card' &&
          item.stack && (
            <CardOnPage
              key={item.id}
              card={item}
              box={item}
              view={view}
              page={page}
              label={`Stack: ${sayFace(item)}`}
              held={held}
              printed
              onLetGo={(box) => put(crypto.randomUUID(), item, box)}
            />
          ),
      )}
      {cards.map((lying) => (
        <CardOnPage
          key={lying.id}
          card={lying.card}
          box={lying.box}
          view={view}
          page={page}
          label={sayCard(page, lying)}
          held={held}
          onLetGo={(box) => put(lying.id, lying.card, box)}
          {...(lying.moved ? { onTake: () => onTake(lying.id) } : {})}
        />
      ))}
    </>
  )
}

/** The middle of a card lies on its stack. */
function liesOn(box: Box, stack: Box): boolean {
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  const within = (at: number, from: number, length: number) => at >= from && at <= from + length
  return within(middle.x, stack.x, stack.width) && within(middle.y, stack.y, stack.height)
}

function sayFace({ face }: Printed<'card'>): string {
  if (face.kind === 'text') return face.text || 'card'
  return face.kind === 'picture' ? face.alt || 'picture' : face.latex
}

function sayCard(page: WorksheetPage, { card, box }: LyingCard): string {
  const place = dropPlaceUnder(page, box)
  return place ? `${sayFace(card)}, in ${place.label || 'a drop place'}` : `Card: ${sayFace(card)}`
}

interface CardOnPageProps {
  card: Printed<'card'>
  box: Box
  view: View
  page: WorksheetPage
  label: string
  held: HeldTool
  /** A stack is printed where it lies; its sheet shows only while one is drawn from it. */
  printed?: boolean
  onLetGo: (box: Box) => void
  onTake?: () => void
}

/** How far an arrow key moves a card, in points. */
const STEP = 14

function CardOnPage(props: CardOnPageProps) {
  const { card, box, view, page, label, held, printed = false, onLetGo, onTake } = props
  const [by, setBy] = useState<{ x: number; y: number }>()
  const from = useRef<{ x: number; y: number }>(undefined)
  const lifted = (way: { x: number; y: number }) => ({
    ...box,
    x: box.x + way.x / view.scale,
    y: box.y + way.y / view.scale,
  })
  const wayTo = (event: PointerEvent) => {
    const start = from.current
    return start && { x: event.clientX - start.x, y: event.clientY - start.y }
  }
  /** Where the pointer is now, not where it was when the card was last drawn. */
  const letGo = (event: PointerEvent) => {
    const way = wayTo(event)
    from.current = undefined
    if (way && Math.hypot(way.x, way.y) > 3) onLetGo(lifted(way))
    setBy(undefined)
  }
  const goBack = () => {
    from.current = undefined
    setBy(undefined)
  }
  const press = (event: KeyboardEvent) => {
    const step = event.shiftKey ? STEP / 7 : STEP
    const arrows: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    }
    const arrow = arrows[event.key]
    if (arrow) onLetGo({ ...box, x: box.x + arrow[0], y: box.y + arrow[1] })
    else if (event.key === 'Enter') onLetGo(inNextDrop(page, box))
    else if (event.key === 'Delete' && onTake) onTake()
    else return
    event.preventDefault()
    event.stopPropagation()
  }
  return (
    <button
      type="button"
      data-takes="hand"
      aria-label={label}
      title="Drag it, or move it with the arrow keys; Enter puts it in the next drop place"
      className={`pointer-events-auto absolute cursor-grab touch-none ${by ? 'z-10 drop-shadow-[0_4px_6px_rgb(30_43_58/0.35)]' : ''}`}
      style={onWholePixels(onScreen(view, by ? lifted(by) : box))}
      onKeyDown={press}
      onPointerDown={(event: PointerEvent<HTMLElement>) => {
        if (event.button !== 0 || (event.pointerType === 'pen' && held === 'writes')) return
        if (held === 'rubs') return onTake?.()
        event.currentTarget.setPointerCapture(event.pointerId)
        from.current = { x: event.clientX, y: event.clientY }
      }}
      onPointerMove={(event) => {
        const way = wayTo(event)
        if (way) setBy(way)
      }}
      onPointerUp={letGo}
      onPointerCancel={goBack}
      onLostPointerCapture={goBack}
    >
      {(!printed || by) && <Face card={card} scale={view.scale} />}
    </button>
  )
}

/** Over the drop place after the one that the card is in; its own place where there is none. */
function inNextDrop(page: WorksheetPage, box: Box): Box {
  const places = page.printed.filter((item) => item.kind === 'drop')
  const here = dropPlaceUnder(page, box)
  const next = places[(places.findIndex(({ id }) => id === here?.id) + 1) % Math.max(1, places.length)]
  if (!next) return box
  return {
    ...box,
    x: next.x + (next.width - box.width) / 2,
    y: next.y + (next.height - box.height) / 2,
  }
}

/** A card's face on a canvas of its own, so that moving it draws nothing. */
function Face({ card, scale }: { card: Printed<'card'>; scale: number }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const letters = useLetters()
  // biome-ignore lint/correctness/useExhaustiveDependencies: drawn again when the letters are there
  useEffect(() => {
    const bitmaps = bitmapsFor()
    const drawn: Drawn[] = drawnCard({ ...card, x: 0, y: 0, stack: false }, measure)
    const repaint = () => {
      const target = canvas.current
      if (!target) return
      const pixels = scale * devicePixelRatio
      const rim = Math.ceil(pixels)
      target.width = Math.ceil(card.width * pixels) + 2 * rim
      target.height = Math.ceil(card.height * pixels) + 2 * rim
      target.style.left = `${-rim / devicePixelRatio}px`
      target.style.top = `${-rim / devicePixelRatio}px`
      target.style.width = `${target.width / devicePixelRatio}px`
      target.style.height = `${target.height / devicePixelRatio}px`
      const context = target.getContext('2d')!
      context.setTransform(pixels, 0, 0, pixels, rim, rim)
      paint(context, drawn, pixels, bitmaps)
    }
    repaint()
    return whenBitmapsArrive(repaint)
  }, [card, scale, letters])
  return <canvas ref={canvas} className="pointer-events-none absolute" />
}

/** The same, begun on a whole pixel of the device: between two, a card's letters would blur. */
function onWholePixels({ left, top, ...size }: ReturnType<typeof onScreen>) {
  const whole = (at: number) => Math.round(at * devicePixelRatio) / devicePixelRatio
  return { ...size, left: whole(left), top: whole(top) }
}
