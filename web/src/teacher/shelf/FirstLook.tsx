import { useEffect, useRef, useState } from 'react'
import { drawPaper } from '../../page/paper/papers.ts'

/** Width of the first look, in CSS pixels; A4 upright. */
const WIDTH = 220
const HEIGHT = 311

/** While files are on their way: how far they are, and the first page from the device's own copy. */
export function FirstLook({ files, part }: { files: readonly File[]; part: number }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const [drawn, setDrawn] = useState(false)
  const first = files[0]!

  useEffect(() => {
    const url = URL.createObjectURL(first)
    const picture = first.type.startsWith('image/')
    const source = picture
      ? ({ kind: 'picture', url, width: 595, height: 842, turn: 0 } as const)
      : ({ kind: 'pdf', url, number: 1, unit: 1 } as const)
    const drawing = drawPaper(source, { x0: 0, y0: 0, x1: 595, y1: 842 }, 1)
    drawing.bitmap.then(
      (bitmap) => {
        canvas.current?.getContext('2d')?.drawImage(bitmap, 0, 0)
        setDrawn(true)
      },
      // What is wrong with the file is said by the server.
      () => {},
    )
    return () => {
      drawing.forget()
      URL.revokeObjectURL(url)
    }
  }, [first])

  const name = files.length === 1 ? first.name : `${files.length} files`
  return (
    <div role="status" className="fixed inset-0 z-30 grid place-items-center bg-blotter/90">
      <div className="flex flex-col items-center gap-4">
        <canvas
          ref={canvas}
          width={595}
          height={842}
          style={{ width: WIDTH, height: HEIGHT, visibility: drawn ? 'visible' : 'hidden' }}
          className="bg-sheet shadow-[0_2px_14px_rgb(30_43_58/0.2)]"
        />
        <p className="font-semibold">
          {part < 1 ? `Bringing in ${name} …` : `Reading the pages of ${name} …`}
        </p>
        <progress
          aria-label={`Bringing in ${name}`}
          value={part < 1 ? part : undefined}
          max={1}
          className="h-2 w-[260px]"
        />
      </div>
    </div>
  )
}
