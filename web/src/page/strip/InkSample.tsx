import { GRAIN_SIZE, GRAINS, isGrainy, type Swatch, shinesThrough, strokeOutline } from '@hand-back/core'
import { useId, useMemo } from 'react'
import { grainUrl } from '../draw/inkFill.ts'
import { outlinePath } from '../draw/outlinePath.ts'

/** CSS pixels a point: a sample is as large as ink is on a page at its true size. */
const POINT = 4 / 3
/** The side of the piece of grain that repeats, in CSS pixels. */
const GRAIN_TILE = GRAINS * GRAIN_SIZE * POINT

/** The way of a sample across its tag, in CSS pixels. */
const SAMPLE = { x: [8, 16, 25, 33, 42, 52, 60], y: [32, 17, 14, 26, 34, 31, 20] }

/** The swatch's own ink in true colour, width and transparency. */
export function InkSample({ swatch }: { swatch: Swatch }) {
  const flat = shinesThrough(swatch)
  const grainy = isGrainy(swatch)
  const grains = useId()
  const d = useMemo(() => {
    const points = SAMPLE.x.map((x, index) => ({
      x,
      y: flat ? 25 : SAMPLE.y[index]!,
      pressure: 0.35 + 0.55 * Math.sin((Math.PI * index) / (SAMPLE.x.length - 1)),
      time: index * 20,
    }))
    return outlinePath(strokeOutline(points, swatch.nib, swatch.width * POINT))
  }, [swatch.nib, swatch.width, flat])
  return (
    <svg viewBox="0 0 68 50" className="h-full w-full" aria-hidden="true">
      {flat && <path d="M8 25h52" stroke="#1e2b3a" strokeWidth="1.4" strokeDasharray="5 3 9 3 3 4" />}
      {grainy && (
        <pattern id={grains} width={GRAIN_TILE} height={GRAIN_TILE} patternUnits="userSpaceOnUse">
          <image href={grainUrl(swatch.colour)} width={GRAIN_TILE} height={GRAIN_TILE} />
        </pattern>
      )}
      <path d={d} fill={grainy ? `url(#${grains})` : swatch.colour} opacity={flat ? 0.5 : 1} />
    </svg>
  )
}
