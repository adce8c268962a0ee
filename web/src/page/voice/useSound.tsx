import { evenGain, type Heard } from '@hand-back/core'
import { type ReactNode, useEffect, useRef, useState } from 'react'
import { makeSeekable, soleSound } from './playing.ts'

export interface Sound {
  /** What plays it: it must be on the screen. */
  readonly element: ReactNode
  readonly playing: boolean
  /** Where it is, in seconds; nothing: it has not begun. */
  readonly at: number | undefined
  readonly trouble: boolean
  /** Where it is just now, in seconds, to the moment: what is seen with it follows this. */
  now(): number | undefined
  toggle(): void
  /** Plays it from its beginning. */
  begin(): void
  /** Plays it from a moment, in seconds. */
  playFrom(moment: number): void
  pause(): void
  /** Goes to a moment, in seconds. */
  seek(to: number): void
}

/**
 * Plays a recording: as loud as all others, without the silence at its ends. What comes from a recorder says not how
 * long it is; `seconds` does. `onEnd`: it has come to its end. `speed`: so many times as fast, at the same pitch.
 */
export function useSound(
  source: string,
  seconds: number,
  heard: Heard | undefined,
  onEnd?: () => void,
  speed = 1,
): Sound {
  const audio = useRef<HTMLAudioElement>(null)
  const [at, setAt] = useState<number>()
  const [playing, setPlaying] = useState(false)
  const [trouble, setTrouble] = useState(false)
  const { from, to } = heard ?? { from: 0, to: seconds }
  // biome-ignore lint/correctness/useExhaustiveDependencies: when the source is another
  useEffect(() => {
    setAt(undefined)
    setTrouble(false)
  }, [source])

  useEffect(() => {
    if (audio.current) audio.current.playbackRate = speed
  }, [speed])

  const play = async (moment: number) => {
    const element = audio.current!
    try {
      if (heard) loudness(element, evenGain(heard))
      if (Math.abs(element.currentTime - moment) > 0.05) {
        await makeSeekable(element)
        element.currentTime = moment
      }
      element.playbackRate = speed
      await element.play()
    } catch (error) {
      // Somebody pressed again before it had begun.
      if ((error as Error).name !== 'AbortError') setTrouble(true)
    }
  }
  const ended = () => {
    audio.current?.pause()
    setAt(undefined)
    onEnd?.()
  }
  const element = (
    // biome-ignore lint/a11y/useMediaCaption: what is said stands beside it where somebody typed it
    <audio
      ref={audio}
      src={source}
      preload="none"
      onPlay={({ currentTarget }) => {
        soleSound(currentTarget)
        setPlaying(true)
        setAt((before) => before ?? from)
      }}
      onPause={() => setPlaying(false)}
      onTimeUpdate={({ currentTarget: { currentTime, paused } }) => {
        if (paused) return
        if (heard && currentTime >= to) ended()
        else setAt(currentTime)
      }}
      onEnded={ended}
      onError={() => playing && setTrouble(true)}
    />
  )
  return {
    element,
    playing,
    at,
    trouble,
    now: () => (playing ? audio.current?.currentTime : at),
    toggle: () => {
      if (playing) audio.current?.pause()
      else void play(at ?? from)
    },
    begin: () => void play(from),
    playFrom: (moment) => {
      setAt(moment)
      void play(moment)
    },
    pause: () => audio.current?.pause(),
    seek: (moment) => {
      const there = Math.min(Math.max(0, moment), seconds)
      setAt(there)
      if (playing) void play(there)
    },
  }
}

let context: AudioContext | undefined
const gains = new WeakMap<HTMLAudioElement, GainNode>()

/** Lets an element play so many times as loud. */
function loudness(element: HTMLAudioElement, gain: number): void {
  context ??= new AudioContext()
  void context.resume()
  let node = gains.get(element)
  if (!node) {
    node = context.createGain()
    context.createMediaElementSource(element).connect(node).connect(context.destination)
    gains.set(element, node)
  }
  node.gain.value = gain
}
