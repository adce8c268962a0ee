import type { VoiceNote } from '@hand-back/core'
import { Pause, Play } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { Button } from '../../ui/Button.tsx'
import { sayLength } from './sayLength.ts'
import { useSound } from './useSound.tsx'

interface ListenButtonProps {
  voice: Pick<VoiceNote, 'seconds' | 'heard'>
  /** Where its sound is to be had. */
  source: string
  /** What is heard, where that is not said beside it. */
  label?: string
  /** It is its turn, where several are heard one after the other. */
  told?: boolean
  /** It has come to its end. */
  onHeard?: (() => void) | undefined
  /** It plays, and `now` tells where it is, in seconds; nothing: it does not. */
  onPlaying?: ((now: (() => number) | undefined) => void) | undefined
  large?: boolean
  className?: string
}

/** Plays a voice that lies on no page, or apart from where it lies. */
export function ListenButton({
  voice,
  source,
  label,
  told = false,
  onHeard,
  onPlaying,
  large = false,
  className = '',
}: ListenButtonProps) {
  const sound = useSound(source, voice.seconds, voice.heard, onHeard)
  const { element, playing, at, trouble, toggle } = sound
  const turn = useRef(sound)
  useEffect(() => {
    turn.current = sound
  })
  useEffect(() => {
    if (!told) return
    turn.current.begin()
    return () => turn.current.pause()
  }, [told])
  const tells = useRef(onPlaying)
  tells.current = onPlaying
  useEffect(() => {
    if (!playing) return
    tells.current?.(() => turn.current.now() ?? 0)
    return () => tells.current?.(undefined)
  }, [playing])
  const words = playing ? 'Pause' : 'Listen'
  return (
    <>
      <Button
        large={large}
        onClick={toggle}
        className={className}
        {...(label ? { 'aria-label': `${words}: ${label}` } : {})}
      >
        {playing ? <Pause size={18} aria-hidden="true" /> : <Play size={18} aria-hidden="true" />}
        {words}
        <span className="tabular">{sayLength(at === undefined ? voice.seconds : voice.seconds - at)}</span>
      </Button>
      {trouble && <span role="alert">This cannot be played just now.</span>}
      {element}
    </>
  )
}
