/** Whether letters go into what has the focus. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest(
      'input:not(:is([type=range], [type=checkbox], [type=radio], [type=color], [type=file])), textarea, select, [contenteditable]',
    ) !== null
  )
}

/** Whether keys without Control mean something to what has the focus: a slider takes arrows. */
export function takesKeys(target: EventTarget | null): boolean {
  return isTyping(target) || (target instanceof HTMLElement && target.closest('input') !== null)
}

/** Whether the space bar or Enter would press what has the focus. */
export function pressedByKeys(target: EventTarget | null): boolean {
  return takesKeys(target) || (target instanceof HTMLElement && target.closest('button, a, summary') !== null)
}
