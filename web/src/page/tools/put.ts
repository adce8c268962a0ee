import { type Tool, wayfarer } from './tool.ts'

/** Puts down what was chosen, as large as the way says. */
export const put: Tool = {
  cursor: 'copy',
  isBoxed: () => true,
  ...wayfarer((hand, way) => hand.put(way)),
}
