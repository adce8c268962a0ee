import { CALLS, MOST_LETTERS } from '@hand-back/core'
import { Pause, Play } from 'lucide-react'
import { urlOf } from '../../../api/ask.ts'
import { sayLength } from '../../../page/voice/sayLength.ts'
import { useSound } from '../../../page/voice/useSound.tsx'
import { VoiceLine } from '../../../page/voice/VoiceLine.tsx'
import { Button } from '../../../ui/Button.tsx'
import { TextRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const voice = {
  name: () => 'Voice',
  group: 'Tell',
  list: {
    voice: { name: 'Voice' },
    sound: { name: 'Sound file' },
  },
  Panel,
} satisfies TeacherKind<'voice'>

function Panel({ item, set }: PanelProps<'voice'>) {
  const sound = useSound(urlOf(CALLS.file, { file: item.file }), item.seconds, item.heard)
  const Sign = sound.playing ? Pause : Play
  const comes = item.shows?.things.length ?? 0
  return (
    <>
      <div className="flex flex-wrap items-center gap-2">
        <Button onClick={sound.toggle}>
          <Sign size={17} aria-hidden="true" />
          {sound.playing ? 'Pause' : 'Listen'}
        </Button>
        <span className="tabular font-semibold">{sayLength(sound.at ?? item.seconds)}</span>
        <VoiceLine heard={item.heard} seconds={item.seconds} width={190} at={sound.at} onSeek={sound.seek} />
        {sound.element}
      </div>
      {sound.trouble && <p role="alert">This cannot be played just now.</p>}
      <TextRow
        label="The same in words"
        lines={3}
        value={item.said}
        longest={MOST_LETTERS}
        onChange={(said) => set({ said }, 'said')}
      />
      {item.shows && (
        <>
          <p className="text-ink-soft">
            {comes === 1 ? 'One thing comes' : `${comes} things come`} while it is heard, as you put{' '}
            {comes === 1 ? 'it' : 'them'} there.
          </p>
          <Button look="quiet" onClick={() => set({ shows: undefined })}>
            Only let it be heard
          </Button>
        </>
      )}
      <p className="text-ink-soft">It needs school to be reached.</p>
    </>
  )
}
