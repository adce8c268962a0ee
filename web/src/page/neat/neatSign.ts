import type { Thing } from '@hand-back/core'
import { Circle, Hexagon, type LucideIcon, Minus, MoveUpRight, Square, Table, Triangle } from 'lucide-react'

/** What a neat shape is shown as before it is there. */
export function neatSign(shape: Thing): LucideIcon {
  if (shape.kind === 'table') return Table
  if (shape.kind !== 'shape') return Square
  const { form, heads, corners } = shape
  if (form === 'line') return heads === 'none' ? Minus : MoveUpRight
  if (form === 'polygon') return corners?.length === 3 ? Triangle : Hexagon
  return form === 'ellipse' ? Circle : Square
}
