/** Something that keys do, as it is done and as the list of keys says it. */
export interface KeyAct {
  /** Each of these, as `KeyboardEvent.key` names it; letters small. */
  readonly keys: readonly string[]
  /** Together with Control, or Command. */
  readonly control?: boolean
  /** Letters only: together with Shift. Other keys leave Shift to `run`. */
  readonly shift?: boolean
  /** What it does, in a few words. Left out: a second way to do it, which is not told. */
  readonly words?: string
  /** How the keys are told, where naming each would be too much. */
  readonly told?: string
  /** It means the same while something is open over the page. */
  readonly anywhere?: boolean
  /** Returns false when it means nothing just now. Left out: the browser or the pointer does it. */
  readonly run?: (event: KeyboardEvent) => unknown
}

/** Keys that belong together, under one title. */
export interface KeyGroup {
  readonly title: string
  readonly acts: readonly KeyAct[]
}

type Pressed = Pick<KeyboardEvent, 'key' | 'code' | 'shiftKey' | 'ctrlKey' | 'metaKey'>

const isLetter = (key: string) => /^[a-z]$/.test(key)

/**
 * The key that was pressed, whatever the keyboard: letters small, Caps Lock or not; with Control, the
 * Latin letter of the place where other scripts have one of their own.
 */
function keyOf({ key, code, ctrlKey, metaKey }: Pressed): string {
  const small = key.toLowerCase()
  if (isLetter(small)) return small
  const foreign = (ctrlKey || metaKey) && key.length === 1 && key > '\u007f' && code.startsWith('Key')
  return foreign ? code.slice(3).toLowerCase() : key
}

/** Whether one key alone, a letter, number or sign, is the whole of it: what a spoken word would press. */
export const isSingle = ({ keys, control, run }: KeyAct): boolean =>
  !control && run !== undefined && keys.some((key) => key.length === 1)

/** Whether these keys are the ones of an act. */
export function means(act: KeyAct, pressed: Pressed): boolean {
  const key = keyOf(pressed)
  if (!act.keys.includes(key)) return false
  if ((act.control ?? false) !== (pressed.ctrlKey || pressed.metaKey)) return false
  return !isLetter(key) || (act.shift ?? false) === pressed.shiftKey
}

const NAMES: Record<string, string> = {
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  PageUp: 'Page ↑',
  PageDown: 'Page ↓',
  Escape: 'Esc',
}

/** How keys are told to people: each key of its own, those to be held first. `apple`: as on its keyboards. */
export function sayKeys({ keys, control, shift, told }: KeyAct, apple: boolean): string[] {
  const held = [...(control ? [apple ? '⌘' : 'Control'] : []), ...(shift ? ['Shift'] : [])]
  const named = told ?? keys.map((key) => NAMES[key] ?? (isLetter(key) ? key.toUpperCase() : key)).join(' ')
  return [...held, named]
}
