import { type Tool, wayfarer } from './tool.ts'

/** Puts down a sign of feedback. */
export const sign: Tool = {
  cursor: 'copy',
  ...wayfarer((hand, way) => hand.sign(way)),
}
