import { type Heard, readPeaks, voiceLine } from '@hand-back/core'
import { useMemo } from 'react'
import { sayLength } from './sayLength.ts'

const HEIGHT = 20
/** How exactly one goes to a moment, in seconds. */
const STEP = 0.1

interface VoiceLineProps {
  heard: Heard | undefined
  seconds: number
  /** How wide it is, in CSS pixels. */
  width: number
  /** Where one is in it, in seconds; nothing: it is not played. */
  at: number | undefined
  /** Goes to a moment, in seconds; left out: it only shows. */
  onSeek?: ((to: number) => void) | undefined
}

/** A voice as a line of ink, that is written anew as it plays; a press or an arrow key goes to a moment of it. */
export function VoiceLine({ heard, seconds, width, at, onSeek }: VoiceLineProps) {
  const line = useMemo(
    () =>
      voiceLine(heard ? readPeaks(heard.peaks) : [], { x: 2, y: 2, width: width - 4, height: HEIGHT - 4 }),
    [heard, width],
  )
  const written = at === undefined ? 0 : Math.min(1, at / Math.max(0.1, seconds))
  return (
    <span
      className="relative block rounded-sm has-[:focus-visible]:outline has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-offset-4 has-[:focus-visible]:outline-verdigris"
      style={{ width, height: HEIGHT }}
    >
      <svg
        width={width}
        height={HEIGHT}
        fill="none"
        strokeWidth="2.2"
        strokeLinecap="round"
        aria-hidden="true"
      >
        <path d={line} className={at === undefined ? 'stroke-current' : 'stroke-rule'} />
        {written > 0 && (
          <path
            d={line}
            className="stroke-verdigris"
            style={{ clipPath: `inset(-4px ${(1 - written) * 100}% -4px -4px)` }}
          />
        )}
      </svg>
      {onSeek && (
        <input
          type="range"
          aria-label="Where in the recording"
          aria-valuetext={`${sayLength(at ?? 0)} of ${sayLength(seconds)}`}
          min={0}
          max={seconds}
          step={STEP}
          value={at ?? 0}
          onChange={({ target }) => {
            const to = Number(target.value)
            // Steps seldom meet the end.
            onSeek(to > seconds - STEP ? seconds : to)
          }}
          // As high as a finger, over the line.
          className="absolute inset-x-0 -inset-y-3 m-0 w-full cursor-pointer opacity-0"
        />
      )}
    </span>
  )
}
