import type { WorksheetPage } from '@hand-back/core'
import { useEffect, useRef, useState } from 'react'
import { wholePaper } from './papers.ts'

/** A page drawn small, `width` CSS pixels wide. It is drawn when it comes near the window. */
export function PaperThumb({ page, width, label }: { page: WorksheetPage; width: number; label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [failed, setFailed] = useState(false)
  const height = Math.round((width * page.height) / page.width)

  useEffect(() => {
    const target = canvas.current
    if (!target) return
    let gone = false
    const watch = new IntersectionObserver(
      ([entry]) => {
        if (!entry?.isIntersecting) return
        watch.disconnect()
        wholePaper(page).then(
          (bitmap) => !gone && paint(target, bitmap),
          () => !gone && setFailed(true),
        )
      },
      { rootMargin: '200px' },
    )
    watch.observe(target)
    return () => {
      gone = true
      watch.disconnect()
    }
  }, [page])

  return (
    <span className="relative block bg-sheet shadow-[0_1px_3px_rgb(30_43_58/0.25)]" style={{ width, height }}>
      <canvas ref={canvas} role="img" aria-label={label} className="block h-full w-full" />
      {failed && (
        <span className="absolute inset-0 grid place-items-center p-2 text-center text-xs text-ink-soft">
          This page cannot be shown just now.
        </span>
      )}
    </span>
  )
}

function paint(target: HTMLCanvasElement, bitmap: ImageBitmap): void {
  target.width = Math.round(target.clientWidth * devicePixelRatio)
  target.height = Math.round(target.clientHeight * devicePixelRatio)
  const context = target.getContext('2d', { alpha: false })!
  context.imageSmoothingQuality = 'high'
  context.drawImage(bitmap, 0, 0, target.width, target.height)
}
