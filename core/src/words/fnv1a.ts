/** The offset basis of FNV-1a for 32 bits. */
export const FNV_BASIS = 0x811c9dc5
const FNV_PRIME = 0x01000193

/**
 * A number of 32 bits that looks like chance and is always the same for a text (FNV-1a over UTF-16 code units;
 * RFC draft-eastlake-fnv). Another `basis` gives another, independent one. Not for secrets.
 */
export function fnv1a(text: string, basis: number = FNV_BASIS): number {
  let hash = basis
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), FNV_PRIME)
  return hash >>> 0
}
