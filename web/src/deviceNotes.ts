// Small notes that this browser keeps for itself (localStorage). One that is full, or that may keep nothing,
// works on without remembering: none of this throws.

export function readNote(key: string): string | null {
  return orNothing(() => localStorage.getItem(key)) ?? null
}

export function writeNote(key: string, value: string): void {
  orNothing(() => localStorage.setItem(key, value))
}

export function dropNote(key: string): void {
  orNothing(() => localStorage.removeItem(key))
}

/** Every note whose name begins so. */
export function notesBeginning(start: string): string[] {
  const keys = orNothing(() => Object.keys(localStorage)) ?? []
  return keys.filter((key) => key.startsWith(start)).flatMap((key) => readNote(key) ?? [])
}

/** Drops every note but those whose name matches. */
export function dropNotes(but: RegExp): void {
  for (const key of orNothing(() => Object.keys(localStorage)) ?? []) if (!but.test(key)) dropNote(key)
}

function orNothing<T>(doing: () => T): T | undefined {
  try {
    return doing()
  } catch {
    return undefined
  }
}
