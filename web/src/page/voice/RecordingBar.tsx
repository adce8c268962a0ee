import { voiceLine } from '@hand-back/core'
import { Circle, Pause, Play, Square, SwitchCamera } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { useStore } from 'zustand'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { sayDone } from '../../ui/notices.ts'
import { sayWhen } from '../../ui/when.ts'
import { MOST_WORDS } from './NoteWords.tsx'
import { sayNotRecorded } from './recorder.ts'
import { sayLength } from './sayLength.ts'
import type { Made, Speaking, SpeakingState } from './speaking.ts'
import { useSound } from './useSound.tsx'
import { VoiceLine } from './VoiceLine.tsx'

interface RecordingBarProps {
  speaking: Speaking
  /** The longest recording here, in seconds. */
  longest: number
  /** … and the longest film. */
  longestFilm: number
  /** What is on this bar can be kept now; else it waits until it can. */
  keeps: (made: Made) => boolean
  /** What becomes of what is done while one speaks. */
  meanwhile?: string
}

/** Speaking, above the page: how loud one is heard and how long there is; then listening, once more, or keeping it. */
export function RecordingBar({ speaking, longest, longestFilm, keeps, meanwhile }: RecordingBarProps) {
  const now = useStore(speaking.state)
  if (now.is === 'silent') return null
  return (
    <section
      aria-label="Recording"
      className="flex min-h-[60px] shrink-0 flex-wrap items-center gap-x-4 gap-y-2 border-b border-rule bg-sheet px-5 py-2 max-tablet:gap-x-2.5 max-tablet:px-3"
    >
      {now.is === 'recording' ? (
        <UnderWay
          now={now}
          longest={now.picture ? longestFilm : longest}
          speaking={speaking}
          meanwhile={meanwhile}
        />
      ) : (
        <Ended key={now.made.id} made={now.made} speaking={speaking} keeps={keeps(now.made)} />
      )}
    </section>
  )
}

/** As many letters as a film's words may have. */
const MOST_FILM_WORDS = 500

type Recording = Extract<SpeakingState, { is: 'recording' }>

/** The line that is written while one speaks, in CSS pixels. */
const LIVE = { x: 2, y: 2, width: 176, height: 32 }
/** So many strengths fill it. */
const FILLED_BY = 50
/** After so many that are all weaker than this, nobody is heard: three seconds. */
const LISTENED = 30
const UNHEARD = 0.008

function UnderWay({
  now: { seconds, paused, picture, strengths },
  longest,
  speaking,
  meanwhile,
}: {
  now: Recording
  longest: number
  speaking: Speaking
  meanwhile: string | undefined
}) {
  // As the button that ends it says it.
  const whole = Math.floor(seconds)
  const width = Math.max(8, (strengths.length / FILLED_BY) * LIVE.width)
  // A camera is looked through first.
  const waits = picture !== undefined && seconds === 0 && paused
  const unheard = strengths.length >= LISTENED && Math.max(...strengths) < UNHEARD
  return (
    <>
      {picture && <LivePicture picture={picture} />}
      <span role="status" className="min-w-[6.5rem] font-serif text-lg font-semibold">
        {sayStanding({ waits, paused, unheard, films: picture !== undefined })}
      </span>
      {!waits && (
        <svg
          width={LIVE.width + 4}
          height={LIVE.height + 4}
          fill="none"
          strokeWidth="2.4"
          strokeLinecap="round"
          className={paused ? 'stroke-rule' : 'stroke-ink'}
          role="img"
          aria-label="How loud you are heard"
        >
          {/* The root of a strength is nearer to how loud it is heard. */}
          <path d={voiceLine(strengths.length > 0 ? strengths.map(Math.sqrt) : [0], { ...LIVE, width }, 1)} />
        </svg>
      )}
      {!waits && <span className="tabular text-lg font-semibold">{sayLength(whole)}</span>}
      <span className="tabular text-ink-soft">
        {waits ? `at most ${sayLength(longest)}` : `${sayLength(longest - whole)} left`}
      </span>
      {meanwhile && (
        <span className="text-ink-soft max-tablet:order-last max-tablet:basis-full">{meanwhile}</span>
      )}
      <span className="flex-1" />
      {waits ? (
        <>
          <OtherCamera speaking={speaking} />
          <Button look="quiet" large onClick={() => speaking.stop()}>
            Not now
          </Button>
          <Button look="main" large onClick={() => speaking.pause()}>
            <Circle size={17} fill="currentColor" aria-hidden="true" />
            Begin
          </Button>
        </>
      ) : (
        <>
          <Button large onClick={() => speaking.pause()}>
            {paused ? <Play size={18} aria-hidden="true" /> : <Pause size={18} aria-hidden="true" />}
            {paused ? 'Go on' : 'Pause'}
          </Button>
          <Button look="main" large onClick={() => speaking.stop()}>
            <Square size={17} aria-hidden="true" />
            Stop
          </Button>
        </>
      )}
    </>
  )
}

/** How it stands, in words that can be read at a glance. */
function sayStanding(of: { waits: boolean; paused: boolean; unheard: boolean; films: boolean }): string {
  if (of.waits) return 'Point the camera'
  if (of.paused) return 'A pause'
  if (of.unheard) return 'Nothing is heard'
  return of.films ? 'Filming' : 'Speak now'
}

/** What the camera sees. */
function LivePicture({ picture }: { picture: MediaStream }) {
  return (
    <video
      ref={(video) => {
        if (video && video.srcObject !== picture) video.srcObject = picture
      }}
      autoPlay
      muted
      playsInline
      aria-label="What the camera sees"
      className={FILM}
    />
  )
}

const FILM = 'h-[210px] max-w-full rounded-md border border-rule bg-ink max-tablet:h-[240px]'

/** Where there is another camera: one looks away from whoever holds the device, one towards them. */
function OtherCamera({ speaking }: { speaking: Speaking }) {
  const [several, setSeveral] = useState(false)
  useEffect(() => {
    const count = async () => {
      const devices = (await navigator.mediaDevices?.enumerateDevices()) ?? []
      setSeveral(devices.filter(({ kind }) => kind === 'videoinput').length > 1)
    }
    void count().catch(() => {})
  }, [])
  if (!several) return null
  return (
    <Button large onClick={() => void speaking.turnCamera().catch(sayNotRecorded)}>
      <SwitchCamera size={18} aria-hidden="true" />
      Other camera
    </Button>
  )
}

function Ended({ made, speaking, keeps }: { made: Made; speaking: Speaking; keeps: boolean }) {
  const source = useMemo(() => URL.createObjectURL(made.bytes), [made.bytes])
  useEffect(() => () => URL.revokeObjectURL(source), [source])
  const sound = useSound(source, made.seconds, made.heard)
  const words = made.film ? 'What it shows, if you like' : 'The same in words, if you like'
  const drop = () => {
    const undo = speaking.drop()
    if (undo) sayDone(made.film ? 'The film is taken away.' : 'The recording is taken away.', undo)
  }
  return (
    <>
      <span
        role="status"
        className={`font-serif text-lg font-semibold ${made.left ? 'max-tablet:w-full' : 'max-tablet:sr-only'}`}
      >
        {made.left
          ? `From ${sayWhen(made.began)}, not kept yet`
          : made.film
            ? 'Your film'
            : made.to
              ? 'Your answer'
              : 'Your recording'}
      </span>
      {made.film ? (
        // biome-ignore lint/a11y/useMediaCaption: what is said in it can be typed beside it
        <video src={source} controls playsInline aria-label="Your film" className={FILM} />
      ) : (
        <>
          <Button large onClick={sound.toggle}>
            {sound.playing ? <Pause size={18} aria-hidden="true" /> : <Play size={18} aria-hidden="true" />}
            {sound.playing ? 'Pause' : 'Listen'}
          </Button>
          <VoiceLine
            heard={made.heard}
            seconds={made.seconds}
            width={120}
            at={sound.at}
            onSeek={sound.seek}
          />
          <span className="tabular font-semibold">{sayLength(sound.at ?? made.seconds)}</span>
          {sound.element}
        </>
      )}
      <input
        aria-label={words}
        placeholder={words}
        maxLength={made.film ? MOST_FILM_WORDS : MOST_WORDS}
        value={made.words}
        onChange={(event) => speaking.say(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && keeps && void speaking.keep()}
        className={`${INPUT} min-w-[150px] flex-1 basis-40`}
      />
      <Button look="quiet" large onClick={drop}>
        Take away
      </Button>
      <Button large onClick={() => void speaking.again().catch(sayNotRecorded)}>
        Once more
      </Button>
      <Button look="main" large disabled={!keeps} onClick={() => void speaking.keep()}>
        Keep
      </Button>
    </>
  )
}
