import { plainText } from '../words/plainText.ts'

/** The most letters of a film's captions: an hour of speech has sixty thousand. */
const MOST = 200_000

/** What is said in a film, to be read with it: a WebVTT file (W3C). */
export const captions = plainText()
  .max(MOST, 'These captions are too long.')
  .refine((text) => text === '' || countCaptions(text) > 0, 'These are no captions.')

const TIMES =
  /^(?:\d{2,}:)?[0-5]\d:[0-5]\d\.\d{3}[ \t]+-->[ \t]+(?:\d{2,}:)?[0-5]\d:[0-5]\d\.\d{3}(?:[ \t].*)?$/gm

/**
 * How many captions a WebVTT file holds (WebVTT, 4.1: it begins with WEBVTT; each caption has a line of two times).
 * Nothing is 0; so is a file of another kind.
 */
export function countCaptions(text: string): number {
  const lines = text.replace(/\r\n?/g, '\n').replace(/^\uFEFF/, '')
  return /^WEBVTT(?:[ \t\n]|$)/.test(lines) ? (lines.match(TIMES)?.length ?? 0) : 0
}
