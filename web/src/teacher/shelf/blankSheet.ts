import { bareSheet, mm, PAGE_SIZES, type Sheet } from '@hand-back/core'

/** One plain page to begin on. */
export function blankSheet(newId: () => string): Sheet {
  const { width, height } = PAGE_SIZES.A4
  const paper = { kind: 'ruled', ruling: { form: 'plain', colour: '#9fb4c7' } } as const
  return bareSheet([{ id: newId(), width: mm(width), height: mm(height), paper, printed: [] }])
}
