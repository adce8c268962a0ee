const waiting = new Map<string, readonly File[]>()

/** Files that were dropped on a hand-out, until the screen that reads them is there. */
export function leaveFiles(handout: string, files: readonly File[]): void {
  waiting.set(handout, files)
}

export function takeFiles(handout: string): readonly File[] {
  const files = waiting.get(handout) ?? []
  waiting.delete(handout)
  return files
}
