import { Play, Square } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'

/** Plays what was spoken in an answer. */
export function HearVoice({ url, seconds }: { url: string; seconds: number }) {
  const audio = useRef<HTMLAudioElement>(undefined)
  const [plays, setPlays] = useState(false)
  useEffect(() => () => audio.current?.pause(), [])
  const toggle = () => {
    if (plays) {
      audio.current?.pause()
      return
    }
    const sound = new Audio(url)
    sound.onended = sound.onpause = sound.onerror = () => setPlays(false)
    audio.current = sound
    setPlays(true)
    void sound.play().catch(() => setPlays(false))
  }
  const Sign = plays ? Square : Play
  return (
    <button
      type="button"
      onClick={toggle}
      className="inline-flex min-h-7 items-center gap-1 rounded-tag border border-rule bg-card px-2 font-semibold text-ink pointer-coarse:min-h-11"
    >
      <Sign size={13} aria-hidden="true" />
      {plays ? 'Stop' : `Hear ${Math.round(seconds)} s`}
    </button>
  )
}
