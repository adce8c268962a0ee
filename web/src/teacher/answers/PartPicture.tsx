import { useEffect, useRef } from 'react'
import { usePhotos } from '../../page/copy/usePhotos.ts'
import { paintPart } from './paintPart.ts'
import type { StripPart } from './strips.ts'
import { useNear } from './useNear.ts'

interface PartPictureProps {
  copy: string
  part: StripPart
  /** CSS pixels a point. */
  scale: number
  label: string
  children?: React.ReactNode
}

const noBytes = () => undefined

/** What is cut out of a copy's page, drawn while it is near. */
export function PartPicture({ copy, part, scale, label, children }: PartPictureProps) {
  const box = useRef<HTMLSpanElement>(null)
  const canvas = useRef<HTMLCanvasElement>(null)
  const near = useNear(box)
  const photoUrl = usePhotos(copy, noBytes)
  useEffect(() => {
    if (near && canvas.current) return paintPart(canvas.current, copy, part, scale, photoUrl)
  }, [near, copy, part, scale, photoUrl])
  return (
    <span
      ref={box}
      className="relative block bg-sheet"
      style={{ width: part.cut.width * scale, height: part.cut.height * scale }}
    >
      {near && <canvas ref={canvas} role="img" aria-label={label} className="block h-full w-full" />}
      {children}
    </span>
  )
}
