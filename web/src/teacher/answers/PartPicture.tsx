import { useEffect, useRef } from 'react'
import { usePhotos } from '../../page/copy/usePhotos.ts'
import { paintPart } from './paintPart.ts'
import type { StripPart } from './strips.ts'

interface PartPictureProps {
  copy: string
  part: StripPart
  /** CSS pixels a point. */
  scale: number
  label: string
  children?: React.ReactNode
}

const noBytes = () => undefined

/** What is cut out of a copy's page, drawn. */
export function PartPicture({ copy, part, scale, label, children }: PartPictureProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const photoUrl = usePhotos(copy, noBytes)
  useEffect(() => {
    if (canvas.current) return paintPart(canvas.current, copy, part, scale, photoUrl)
  }, [copy, part, scale, photoUrl])
  return (
    <span
      className="relative block bg-sheet"
      style={{ width: part.cut.width * scale, height: part.cut.height * scale }}
    >
      <canvas ref={canvas} role="img" aria-label={label} className="block h-full w-full" />
      {children}
    </span>
  )
}
