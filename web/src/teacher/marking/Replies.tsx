import type { ReplyValue } from '@hand-back/core'
import { Check, Eye } from 'lucide-react'
import { ListenButton } from '../../page/voice/ListenButton.tsx'

interface RepliesProps {
  replies: readonly ReplyValue[]
  first: string
  /** Where a sound is to be had. */
  soundUrl: (recording: string) => string
}

/** What a student said to feedback: aloud, in words, that it is done, or only that it was seen. */
export function Replies({ replies, first, soundUrl }: RepliesProps) {
  if (replies.length === 0) return null
  const words = replies.filter((reply) => reply.words !== '')
  const done = replies.filter((reply) => reply.done).length
  return (
    <div className="max-h-[72px] overflow-y-auto border-l-[3px] border-slate pl-2 text-small">
      {replies.map(
        ({ voice }) =>
          voice && (
            <ListenButton
              key={voice.recording}
              voice={voice}
              source={soundUrl(voice.recording)}
              label={`what ${first} says`}
            />
          ),
      )}
      {words.map(({ words: said }, index) => (
        <p key={`${index} ${said}`}>
          {first}: “{said}”
        </p>
      ))}
      <p className="flex items-center gap-1 text-ink-soft">
        {done > 0 ? <Check size={14} aria-hidden="true" /> : <Eye size={14} aria-hidden="true" />}
        {done > 0 ? `done ${done} of ${replies.length}` : 'seen'}
      </p>
    </div>
  )
}
