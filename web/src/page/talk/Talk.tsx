import type { CopyWhole } from '@hand-back/core'
import { Pause, Play } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Choices } from '../habits/Choices.tsx'
import { PageTabs } from '../pages/PageTabs.tsx'
import { usePagesThen } from '../pages/usePagesNow.ts'
import { sayLength } from '../voice/sayLength.ts'
import { useSound } from '../voice/useSound.tsx'
import { VoiceLine } from '../voice/VoiceLine.tsx'
import { FilmButton } from './FilmButton.tsx'
import type { Coming } from './strokesSeen.ts'
import { TalkPage } from './TalkPage.tsx'
import type { Talked } from './talked.ts'
import { useFrames } from './useFrames.ts'
import type { Replaying } from './useReplay.ts'

interface TalkProps {
  copy: CopyWhole
  talked: Talked
  photoUrl: (name: string) => string
}

const SPEEDS = [
  ['0.75', '¾'],
  ['1', '1'],
  ['1.25', '1¼'],
  ['1.5', '1½'],
  ['2', '2'],
] as const
/** Where the line of the voice is shorter, in CSS pixels. */
const NARROW = 740
const COMING = [
  ['faint', 'faint'],
  ['hidden', 'hidden'],
  ['shown', 'shown'],
] as const

/** A voice and what comes with it, as both play. */
export function Talk({ replaying, ...props }: TalkProps & { replaying: Replaying | undefined }) {
  if (!replaying) return <p className="text-ink-soft">Nothing was made while this was spoken.</p>
  return <Played {...props} replaying={replaying} />
}

function Played({ copy, talked, photoUrl, replaying }: TalkProps & { replaying: Replaying }) {
  const [speed, setSpeed] = useState(1)
  const [coming, setComing] = useState<Coming>('faint')
  const { show, shown, page: opened, turnTo } = replaying
  // Heard to its end, all of it is there.
  const sound = useSound(talked.source, talked.seconds, talked.heard, () => show(talked.seconds), speed)
  const { playing, at, begin } = sound
  useFrames(playing, () => {
    const second = sound.now()
    if (second !== undefined) show(second)
  })
  useEffect(() => {
    if (!playing && at !== undefined) show(at)
  }, [playing, at, show])
  // Whoever opened it wants to hear it.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once
  useEffect(begin, [])

  const pages = usePagesThen(copy, shown.pages)
  const index = Math.max(
    0,
    pages.findIndex(({ id }) => id === opened),
  )
  const sheet = pages[index]!
  return (
    <>
      <div className="relative flex h-[58vh] border border-rule">
        <TalkPage
          copy={copy}
          sheet={sheet}
          replaying={replaying}
          coming={coming}
          photoUrl={photoUrl}
          onHear={sound.playFrom}
        />
        {pages.length > 1 && (
          <PageTabs count={pages.length} current={index} onTurn={(to) => turnTo(pages[to]!.id)} />
        )}
      </div>
      <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Button look="main" large autoFocus onClick={sound.toggle} className="min-w-[7.5rem]">
          {playing ? <Pause size={18} aria-hidden="true" /> : <Play size={18} aria-hidden="true" />}
          {playing ? 'Pause' : 'Play'}
        </Button>
        <VoiceLine
          heard={talked.heard}
          seconds={talked.seconds}
          width={window.innerWidth < NARROW ? 160 : 440}
          at={at ?? 0}
          onSeek={(second) => {
            sound.seek(second)
            show(second)
          }}
        />
        <span className="tabular font-semibold">
          {sayLength(at ?? 0)} of {sayLength(talked.seconds)}
        </span>
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-x-8 gap-y-2">
        <Choices
          inline
          legend="Speed"
          value={String(speed)}
          options={SPEEDS}
          onChoose={(value) => setSpeed(Number(value))}
        />
        <Choices inline legend="What comes later" value={coming} options={COMING} onChoose={setComing} />
      </div>
      <div className="mt-3 flex flex-wrap items-center justify-between gap-x-8 gap-y-2">
        <p className="text-ink-soft" role={sound.trouble ? 'alert' : undefined}>
          {sound.trouble
            ? 'This cannot be played just now.'
            : 'Press what was written to hear what was said there.'}
        </p>
        <FilmButton {...{ copy, talked, replaying, coming, photoUrl }} />
      </div>
      {sound.element}
    </>
  )
}
