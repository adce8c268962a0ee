import { type Item, NOBODYS, paperPiece, scene, type WorksheetPage } from '@hand-back/core'
import { useEffect, useRef, useState } from 'react'
import { bitmapsFor, whenBitmapsArrive } from '../draw/bitmaps.ts'
import { lettersReady, measure } from '../draw/letters.ts'
import { paint } from '../draw/paint.ts'
import { wholePaper } from '../paper/papers.ts'

/** What lies on a page of a copy. */
export interface Work {
  readonly copy: string
  readonly items: readonly Item[]
  readonly photoUrl: (name: string) => string
}

interface PaperThumbProps {
  page: WorksheetPage
  /** In CSS pixels. */
  width: number
  /** Empty where words beside it say enough. */
  label: string
  /** Left out: a page before anybody worked on it. */
  work?: Work
}

/** A page drawn small, with all that is to be seen on it. It is drawn when it comes near the window. */
export function PaperThumb({ page, width, label, work }: PaperThumbProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [failed, setFailed] = useState(false)
  const [near, setNear] = useState(false)
  const height = Math.max(1, Math.round((width * page.height) / page.width))

  useEffect(() => {
    const watch = new IntersectionObserver(([entry]) => entry?.isIntersecting && setNear(true), {
      rootMargin: '200px',
    })
    watch.observe(canvas.current!)
    return () => watch.disconnect()
  }, [])

  useEffect(() => {
    if (!near) return
    return paintWhenThere(canvas.current!, page, work, setFailed)
  }, [near, page, work])

  return (
    <span className="relative block bg-sheet shadow-[0_1px_3px_rgb(30_43_58/0.25)]" style={{ width, height }}>
      <canvas
        ref={canvas}
        {...(label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
        className="block h-full w-full"
      />
      {failed && (
        <span className="absolute inset-0 grid place-items-center p-2 text-center text-xs text-ink-soft">
          This page cannot be shown just now.
        </span>
      )}
    </span>
  )
}

/** Paints now, and again as papers, pictures and letters arrive. Returns how to stop. */
function paintWhenThere(
  target: HTMLCanvasElement,
  page: WorksheetPage,
  work: Work | undefined,
  onFailed: (failed: boolean) => void,
): () => void {
  let gone = false
  let bitmap: ImageBitmap | undefined
  const paint = () => !gone && paintPage(target, page, work, bitmap)
  const piece = paperPiece(page)
  if (piece && piece.paper.kind !== 'ruled') {
    wholePaper(piece.paper, piece.whole).then(
      (whole) => {
        bitmap = whole
        paint()
      },
      () => !gone && onFailed(true),
    )
  }
  const stop = whenBitmapsArrive(paint)
  void lettersReady().then(paint)
  paint()
  return () => {
    gone = true
    stop()
  }
}

function paintPage(
  target: HTMLCanvasElement,
  page: WorksheetPage,
  work: Work | undefined,
  paper: ImageBitmap | undefined,
): void {
  target.width = Math.round(target.clientWidth * devicePixelRatio)
  target.height = Math.round(target.clientHeight * devicePixelRatio)
  const context = target.getContext('2d', { alpha: false })!
  context.fillStyle = '#ffffff'
  context.fillRect(0, 0, target.width, target.height)
  const scale = target.width / page.width
  context.setTransform(scale, 0, 0, scale, 0, 0)
  context.imageSmoothingQuality = 'high'
  const box = paperPiece(page)?.box
  if (paper && box) context.drawImage(paper, box.x, box.y, box.width, box.height)
  const drawn = scene(page, work?.items ?? [], work?.copy ?? NOBODYS, measure)
  paint(context, drawn, scale, bitmapsFor(work?.photoUrl))
}
