import { type Pinned, voicesOf } from '@hand-back/core'
import { Check, Trash2, X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { SpeakSign } from '../strip/signs.ts'
import { ListenButton } from '../voice/ListenButton.tsx'
import type { Pins } from './usePins.ts'

interface PinMarginProps {
  pins: Pins
  /** Where there is no room beside the page, it lies over its foot or its head. */
  over: 'foot' | 'head'
  soundUrl: (recording: string) => string
  /** Says it aloud, at the place or as an answer; left out: nobody can speak here. */
  onSpeak?: ((pin: { readonly to?: string }) => void) | undefined
  /** Nothing is read or said any more. */
  onClose: () => void
}

const OVER = {
  foot: '@max-[900px]:bottom-0 @max-[900px]:border-t @max-[900px]:shadow-[0_-4px_18px_rgb(30_43_58/0.14)]',
  head: '@max-[900px]:top-0 @max-[900px]:border-b @max-[900px]:shadow-[0_4px_18px_rgb(30_43_58/0.14)]',
}

const MOST_LETTERS = 2000

/** What is said at the places of a page: beside it where there is room, over its foot where there is none. */
export function PinMargin({ pins, over, soundUrl, onSpeak }: PinMarginProps) {
  const { on, draft, open } = pins
  const hearing = useTurns(pins)
  const isAsked = draft !== undefined || open !== undefined
  if (on.length === 0 && !isAsked) return null
  const hasHead = !draft && (pins.turnout !== undefined || hearing.several)
  return (
    <aside
      aria-label="Pinned here"
      className={`flex w-[296px] shrink-0 flex-col gap-3 overflow-y-auto border-l border-rule bg-card p-3 @max-[900px]:absolute @max-[900px]:inset-x-0 @max-[900px]:z-20 @max-[900px]:max-h-[46%] @max-[900px]:w-auto @max-[900px]:border-l-0 ${OVER[over]} ${
        isAsked || hasHead ? '' : '@max-[900px]:hidden'
      }`}
    >
      {hasHead && <Head pins={pins} hearing={hearing} />}
      {draft && <Draft pins={pins} onSpeak={onSpeak && (() => onSpeak({}))} />}
      {on.map((pinned, index) => (
        <Card
          key={pinned.item.id}
          pins={pins}
          pinned={pinned}
          number={index + 1}
          isOpen={open === pinned.item.id}
          soundUrl={soundUrl}
          hearing={hearing}
          onSpeak={onSpeak && (() => onSpeak({ to: pinned.item.id }))}
        />
      ))}
    </aside>
  )
}

/** How many said something, and hearing all of it. */
function Head({ pins: { turnout, listsMissing }, hearing }: { pins: Pins; hearing: Turns }) {
  return (
    <header className="flex flex-wrap items-center gap-2">
      {turnout && (
        <p className="flex-1">
          <b className="tabular">
            {turnout.said} of {turnout.of}
          </b>{' '}
          have said something.
        </p>
      )}
      {hearing.several && (
        <Button onClick={hearing.toggle} aria-pressed={hearing.told !== undefined}>
          {hearing.told === undefined ? 'Hear all' : 'Stop'}
        </Button>
      )}
      {turnout && listsMissing && turnout.missing.length > 0 && (
        <details className="w-full">
          <summary className="cursor-pointer font-semibold">Not yet</summary>
          <p className="text-ink-soft">{turnout.missing.join(', ')}</p>
        </details>
      )}
    </header>
  )
}

/** Hearing several things one after the other. */
interface Turns {
  readonly several: boolean
  /** What is heard now. */
  readonly told: string | undefined
  heard(id: string): void
  toggle(): void
}

/** What is spoken on the page, one after the other; the pin that it belongs to is read meanwhile. */
function useTurns({ on, read }: Pins): Turns {
  const [told, setTold] = useState<string>()
  const order = voicesOf(on)
  const begin = (id: string | undefined) => {
    setTold(id)
    const of = on.find(({ item, answers }) =>
      [item, ...answers.map((answer) => answer.item)].some((each) => each.id === id),
    )
    if (of) read(of.item.id)
  }
  return {
    several: order.length > 1,
    told,
    heard: (id) => {
      if (id === told) begin(order[order.indexOf(id) + 1])
    },
    toggle: () => begin(told === undefined ? order[0] : undefined),
  }
}

function Draft({ pins, onSpeak }: { pins: Pins; onSpeak: (() => void) | undefined }) {
  const [words, setWords] = useState('')
  const said = words.trim()
  return (
    <form
      className="flex flex-col gap-2 rounded-md border-2 border-slate bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (said !== '') pins.say(said)
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') pins.leave()
      }}
    >
      <textarea
        // biome-ignore lint/a11y/noAutofocus: the place was just chosen
        autoFocus
        aria-label="What you want to say here"
        placeholder="What do you want to say here?"
        rows={3}
        maxLength={MOST_LETTERS}
        value={words}
        onChange={(event) => setWords(event.target.value)}
        className={INPUT}
      />
      <span className="flex flex-wrap gap-2">
        <Button look="main" type="submit" disabled={said === ''}>
          Pin it
        </Button>
        {onSpeak && said === '' && (
          <Button onClick={onSpeak} aria-label="Say it aloud and pin it">
            <SpeakSign size={18} aria-hidden="true" />
            Say it
          </Button>
        )}
        <Button look="quiet" onClick={pins.leave}>
          Leave it
        </Button>
      </span>
    </form>
  )
}

interface CardProps {
  pins: Pins
  pinned: Pinned
  number: number
  isOpen: boolean
  soundUrl: (recording: string) => string
  hearing: Turns
  onSpeak: (() => void) | undefined
}

function Card({ pins, pinned, number, isOpen, soundUrl, hearing, onSpeak }: CardProps) {
  const card = useRef<HTMLElement>(null)
  useEffect(() => {
    if (isOpen) card.current?.scrollIntoView({ block: 'nearest' })
  }, [isOpen])
  const isDone = pinned.done.length > 0
  return (
    <section
      ref={card}
      aria-label={`Pin ${number}`}
      className={`rounded-md border bg-sheet p-3 ${isOpen ? 'border-slate ring-2 ring-slate/30' : 'border-rule @max-[900px]:hidden'}`}
    >
      <header className="flex items-center gap-2">
        <button
          type="button"
          aria-label={`Pin ${number} on the page`}
          aria-pressed={isOpen}
          onClick={() => pins.read(isOpen ? undefined : pinned.item.id)}
          className={`grid h-7 min-w-7 place-items-center rounded-full rounded-bl-none px-1 text-sm font-semibold ${
            isDone ? 'bg-blotter text-ink-soft' : 'bg-slate text-sheet'
          }`}
        >
          {number}
        </button>
        <Button
          look="quiet"
          aria-pressed={isDone}
          onClick={() => pins.setDone(pinned)}
          className={`ml-auto !px-2 ${isDone ? 'font-semibold' : ''}`}
        >
          <Check size={16} aria-hidden="true" />
          Done
        </Button>
        {isOpen && <IconButton icon={X} label="Close" onClick={() => pins.read(undefined)} />}
      </header>
      <One pins={pins} said={pinned} soundUrl={soundUrl} hearing={hearing} />
      {pinned.answers.length > 0 && (
        <ul className="mt-2 flex flex-col gap-2 border-l-2 border-rule pl-3">
          {pinned.answers.map((answer) => (
            <li key={answer.item.id}>
              <One pins={pins} said={answer} soundUrl={soundUrl} hearing={hearing} />
            </li>
          ))}
        </ul>
      )}
      {isOpen && <AnswerField pins={pins} to={pinned.item.id} onSpeak={onSpeak} />}
    </section>
  )
}

type Said = Pinned | Pinned['answers'][number]

interface OneProps extends Pick<CardProps, 'pins' | 'soundUrl' | 'hearing'> {
  said: Said
}

function One({ pins, said, soundUrl, hearing }: OneProps) {
  const { item, author, agreedBy } = said
  const agrees = agreedBy.some(pins.isMine)
  const who = pins.nameOf(author)
  const watched = pins.watchedIn(item.words)
  return (
    <div>
      <p className="flex min-h-8 items-center text-sm font-semibold text-ink-soft">
        <span className="min-w-0 flex-1 truncate">{who}</span>
        {pins.mayTake(author) && (
          <IconButton
            icon={Trash2}
            label={`Take away what ${who} said`}
            onClick={() => pins.takeAway(said)}
          />
        )}
      </p>
      {item.words !== '' && <p className="break-words whitespace-pre-line">{item.words}</p>}
      {watched.length > 0 && (
        <p className="text-sm font-semibold text-madder">From your list of words: {watched.join(', ')}</p>
      )}
      {item.voice && (
        <ListenButton
          voice={item.voice}
          source={soundUrl(item.voice.recording)}
          label={`what ${who} said`}
          told={hearing.told === item.id}
          onHeard={() => hearing.heard(item.id)}
          onPlaying={item.drawn && ((now) => pins.hearing(now && { id: item.id, now }))}
        />
      )}
      {item.drawn && <p className="text-sm text-ink-soft">Drawn on the page meanwhile.</p>}
      {pins.isMine(author) ? (
        agreedBy.length > 0 && (
          <p className="text-sm text-ink-soft">
            {agreedBy.length === 1 ? `${pins.nameOf(agreedBy[0]!)} agrees.` : `${agreedBy.length} agree.`}
          </p>
        )
      ) : (
        <Button
          look="quiet"
          aria-pressed={agrees}
          title={agreedBy.map(pins.nameOf).join(', ')}
          onClick={() => pins.agree(said)}
          className={`-ml-2 !px-2 ${agrees ? '!text-verdigris' : '!font-normal'}`}
        >
          {agrees ? 'You agree' : 'Agree'}
          {agreedBy.length > (agrees ? 1 : 0) && <span className="tabular">· {agreedBy.length}</span>}
        </Button>
      )}
    </div>
  )
}

function AnswerField({ pins, to, onSpeak }: { pins: Pins; to: string; onSpeak: (() => void) | undefined }) {
  const [words, setWords] = useState('')
  const said = words.trim()
  return (
    <form
      className="mt-2 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        if (said === '') return
        pins.answer(to, said)
        setWords('')
      }}
    >
      <input
        aria-label="Your answer"
        placeholder="Answer"
        maxLength={MOST_LETTERS}
        value={words}
        onChange={(event) => setWords(event.target.value)}
        className={`${INPUT} min-w-0 flex-1`}
      />
      {said === '' && onSpeak ? (
        <IconButton icon={SpeakSign} size={20} framed label="Answer aloud" onClick={onSpeak} />
      ) : (
        <Button type="submit" disabled={said === ''}>
          Send
        </Button>
      )}
    </form>
  )
}
