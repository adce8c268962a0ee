import { eraser } from './eraser.ts'
import { fill } from './fill.ts'
import { pen } from './pen.ts'
import { pick } from './pick.ts'
import { put } from './put.ts'
import { sign } from './sign.ts'
import type { Tool } from './tool.ts'

/** Every tool, in the order of the strip. */
export const TOOLS = { pen, pick, eraser, put, sign, fill } satisfies Record<string, Tool>
export type ToolName = keyof typeof TOOLS

/** The tools with their names. */
export const ALL_TOOLS = Object.entries(TOOLS) as [ToolName, Tool][]
