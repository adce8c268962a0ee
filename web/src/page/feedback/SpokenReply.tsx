import type { ReplyValue } from '@hand-back/core'
import { Trash2 } from 'lucide-react'
import { Button } from '../../ui/Button.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { SpeakSign } from '../strip/signs.ts'
import { ListenButton } from '../voice/ListenButton.tsx'

interface SpokenReplyProps {
  voice: ReplyValue['voice']
  soundUrl: (recording: string) => string
  /** Left out: nobody can speak here. */
  onSpeak?: (() => void) | undefined
  onTake: () => void
}

/** A student's own spoken answer to a piece of feedback: to be given, heard once more, or taken away. */
export function SpokenReply({ voice, soundUrl, onSpeak, onTake }: SpokenReplyProps) {
  if (voice)
    return (
      <span className="flex items-center">
        <ListenButton large voice={voice} source={soundUrl(voice.recording)} label="your answer" />
        <IconButton icon={Trash2} label="Take your spoken answer away" onClick={onTake} />
      </span>
    )
  return (
    onSpeak && (
      <Button large onClick={onSpeak} aria-label="Answer by voice">
        <SpeakSign size={20} aria-hidden="true" />
        Say it
      </Button>
    )
  )
}
