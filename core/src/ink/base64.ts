const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/'
const VALUES = new Int16Array(128).fill(-1)
for (let index = 0; index < 64; index++) VALUES[LETTERS.charCodeAt(index)] = index

/** Bytes as base64 (RFC 4648, padded): how packed ink travels inside JSON. */
export function toBase64(bytes: Uint8Array): string {
  let text = ''
  for (let at = 0; at < bytes.length; at += 3) {
    const b0 = bytes[at]!
    const b1 = bytes[at + 1] ?? 0
    const b2 = bytes[at + 2] ?? 0
    text += LETTERS[b0 >> 2]! + LETTERS[((b0 & 3) << 4) | (b1 >> 4)]!
    text += at + 1 < bytes.length ? LETTERS[((b1 & 15) << 2) | (b2 >> 6)]! : '='
    text += at + 2 < bytes.length ? LETTERS[b2 & 63]! : '='
  }
  return text
}

/** Bytes of base64 text. Throws a `RangeError` for text that is not base64. */
export function fromBase64(text: string): Uint8Array {
  if (text.length % 4 !== 0) throw new RangeError('not base64')
  const padding = text.endsWith('==') ? 2 : text.endsWith('=') ? 1 : 0
  const bytes = new Uint8Array((text.length / 4) * 3 - padding)
  let to = 0
  for (let at = 0; at < text.length; at += 4) {
    const group =
      (letter(text, at) << 18) |
      (letter(text, at + 1) << 12) |
      (letter(text, at + 2) << 6) |
      letter(text, at + 3)
    bytes[to++] = group >> 16
    if (to < bytes.length) bytes[to++] = (group >> 8) & 255
    if (to < bytes.length) bytes[to++] = group & 255
  }
  return bytes
}

function letter(text: string, at: number): number {
  const code = text.charCodeAt(at)
  if (code === 61 && at >= text.length - 2) return 0
  const value = code < 128 ? VALUES[code]! : -1
  if (value < 0) throw new RangeError('not base64')
  return value
}
