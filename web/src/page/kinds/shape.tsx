import { Circle, Minus, MoveUpRight, Square, Triangle } from 'lucide-react'
import type { LaidKind, Look, Way } from './laidKind.ts'

/** Lines of new things, in points, where the pen is thinner or thicker. */
const THINNEST = 1
const THICKEST = 6

const drawn = ({ colour, width, times }: Look) => ({
  colour,
  line: Math.min(THICKEST * times, Math.max(THINNEST * times, width)),
})

const alongWay = ({ from, to }: Way) => ({
  form: 'line' as const,
  rising: (to.x - from.x) * (to.y - from.y) < 0,
})

export const shape = {
  puts: {
    line: {
      name: 'Line',
      icon: Minus,
      size: [50, 0],
      isLine: true,
      make: (look, way) => ({ ...drawn(look), ...alongWay(way) }),
    },
    arrow: {
      name: 'Arrow',
      icon: MoveUpRight,
      size: [50, 0],
      isLine: true,
      make: (look, way) => ({
        ...drawn(look),
        ...alongWay(way),
        heads: way.to.x < way.from.x ? 'start' : 'end',
      }),
    },
    rectangle: { name: 'Box', icon: Square, size: [40, 25], make: (look) => drawn(look) },
    ellipse: {
      name: 'Circle',
      icon: Circle,
      size: [35, 35],
      make: (look) => ({ ...drawn(look), form: 'ellipse' }),
    },
    triangle: {
      name: 'Triangle',
      icon: Triangle,
      size: [40, 35],
      make: (look) => ({ ...drawn(look), form: 'triangle' }),
    },
  },
} satisfies LaidKind<'shape'>
