import type { VoiceNote } from '@hand-back/core'
import { Pause, Play } from 'lucide-react'
import { Button } from '../../ui/Button.tsx'
import { sayLength } from './sayLength.ts'
import { useSound } from './useSound.tsx'

interface ListenButtonProps {
  voice: Pick<VoiceNote, 'seconds' | 'heard'>
  /** Where its sound is to be had. */
  source: string
  /** What is heard, where that is not said beside it. */
  label?: string
  large?: boolean
  className?: string
}

/** Plays a voice that lies on no page, or apart from where it lies. */
export function ListenButton({ voice, source, label, large = false, className = '' }: ListenButtonProps) {
  const { element, playing, at, trouble, toggle } = useSound(source, voice.seconds, voice.heard)
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
