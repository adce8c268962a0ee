import { Refused } from '@hand-back/core'

/** Nothing that is sent here is nested deeper. */
const DEEPEST = 40
const [QUOTE, BACKSLASH] = [0x22, 0x5c]

/** Refuses JSON that is nested deeper than anything of ours, before it is read: reading it would take seconds. */
export function refuseDeep(bytes: Buffer): void {
  let depth = 0
  for (let at = 0; at < bytes.length; at++) {
    const byte = bytes[at]
    if (byte === QUOTE) at = endOfText(bytes, at)
    else if (byte === 0x5b || byte === 0x7b) {
      if (++depth > DEEPEST) throw new Refused('The request could not be read.', 400)
    } else if (byte === 0x5d || byte === 0x7d) depth--
  }
}

function endOfText(bytes: Buffer, from: number): number {
  let at = from + 1
  while (at < bytes.length && bytes[at] !== QUOTE) at += bytes[at] === BACKSLASH ? 2 : 1
  return at
}
