import { mm } from '@hand-back/core'
import { useEffect } from 'react'
import type { Picking } from '../picking/usePicking.ts'
import { takesKeys } from '../takesKeys.ts'
import type { Tools } from '../useTools.ts'

/** How far an arrow key moves what is picked up, in points: alone, and with Shift. */
const STEP = { plain: mm(1), shift: mm(5) }
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** What keys do to a page besides what they do to what is picked up. */
export interface WorkClipboard {
  /** The text that carries what is picked up. */
  copied(): string | undefined
  paste(data: DataTransfer): void
  /** Puts the thing in hand where one looks. */
  putHere(): void
}

/** Picking up, copying and pasting by keyboard. What it takes does not reach the keys of the page. */
export function useWorkKeys(picking: Picking, tools: Tools, clipboard: WorkClipboard | undefined): void {
  useEffect(() => {
    if (!clipboard) return
    const elsewhere = (target: EventTarget | null) =>
      takesKeys(target) || (target instanceof HTMLElement && target.closest('[role=dialog]') !== null)
    const press = (event: KeyboardEvent) => {
      if (elsewhere(event.target) || !act(event, picking, tools, clipboard)) return
      event.preventDefault()
      event.stopImmediatePropagation()
    }
    const copy = (event: ClipboardEvent) => {
      const text = elsewhere(event.target) ? undefined : clipboard.copied()
      if (!text) return
      event.clipboardData?.setData('text/plain', text)
      event.preventDefault()
      if (event.type === 'cut') picking.take()
    }
    const paste = (event: ClipboardEvent) => {
      if (elsewhere(event.target) || !event.clipboardData) return
      event.preventDefault()
      clipboard.paste(event.clipboardData)
    }
    addEventListener('keydown', press, true)
    addEventListener('copy', copy)
    addEventListener('cut', copy)
    addEventListener('paste', paste)
    return () => {
      removeEventListener('keydown', press, true)
      removeEventListener('copy', copy)
      removeEventListener('cut', copy)
      removeEventListener('paste', paste)
    }
  }, [picking, tools, clipboard])
}

/** Whether the key meant something for what is, or could be, picked up. */
function act(event: KeyboardEvent, picking: Picking, tools: Tools, clipboard: WorkClipboard): boolean {
  const control = event.ctrlKey || event.metaKey
  if (control && event.key === 'a') {
    picking.pickAll()
    return true
  }
  if (!control && event.key === 'p') {
    tools.setTool('pick')
    return true
  }
  const onPage = event.target instanceof HTMLElement && event.target.closest('button, a') === null
  if (tools.tool === 'put' && event.key === 'Enter' && onPage) {
    clipboard.putHere()
    return true
  }
  if (tools.tool === 'pick' && (event.key === ']' || event.key === '[')) {
    picking.pickNext(event.key === ']' ? 1 : -1)
    return true
  }
  if (picking.items.length === 0) return false
  const arrow = ARROWS[event.key]
  if (arrow && !control) {
    const step = event.shiftKey ? STEP.shift : STEP.plain
    picking.nudge(arrow[0] * step, arrow[1] * step)
    return true
  }
  const acts: Record<string, () => void> = control
    ? { d: picking.duplicate }
    : {
        Delete: picking.take,
        Backspace: picking.take,
        Escape: picking.letGo,
        '>': () => picking.spin(1.1, 0),
        '<': () => picking.spin(1 / 1.1, 0),
        r: () => picking.spin(1, 15),
        R: () => picking.spin(1, -15),
      }
  const doing = acts[event.key]
  doing?.()
  return doing !== undefined
}
