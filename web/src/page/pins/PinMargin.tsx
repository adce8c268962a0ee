import type { Pinned } from '@hand-back/core'
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
  soundUrl: (recording: string) => string
  /** Says it aloud, at the place or as an answer; left out: nobody can speak here. */
  onSpeak?: ((pin: { readonly to?: string }) => void) | undefined
  /** Nothing is read or said any more. */
  onClose: () => void
}

const MOST_LETTERS = 2000

/** What is said at the places of a page: beside it where there is room, over its foot where there is none. */
export function PinMargin({ pins, soundUrl, onSpeak }: PinMarginProps) {
  const { on, draft, open } = pins
  const isAsked = draft !== undefined || open !== undefined
  if (on.length === 0 && !isAsked) return null
  return (
    <aside
      aria-label="Pinned here"
      className={`flex w-[296px] shrink-0 flex-col gap-3 overflow-y-auto border-l border-rule bg-card p-3 @max-[900px]:absolute @max-[900px]:inset-x-0 @max-[900px]:bottom-0 @max-[900px]:z-20 @max-[900px]:max-h-[46%] @max-[900px]:w-auto @max-[900px]:border-t @max-[900px]:border-l-0 @max-[900px]:shadow-[0_-4px_18px_rgb(30_43_58/0.14)] ${
        isAsked ? '' : '@max-[900px]:hidden'
      }`}
    >
      {draft && <Draft pins={pins} onSpeak={onSpeak && (() => onSpeak({}))} />}
      {on.map((pinned, index) => (
        <Card
          key={pinned.item.id}
          pins={pins}
          pinned={pinned}
          number={index + 1}
          isOpen={open === pinned.item.id}
          soundUrl={soundUrl}
          onSpeak={onSpeak && (() => onSpeak({ to: pinned.item.id }))}
        />
      ))}
    </aside>
  )
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
  onSpeak: (() => void) | undefined
}

function Card({ pins, pinned, number, isOpen, soundUrl, onSpeak }: CardProps) {
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
      <One pins={pins} said={pinned} soundUrl={soundUrl} />
      {pinned.answers.length > 0 && (
        <ul className="mt-2 flex flex-col gap-2 border-l-2 border-rule pl-3">
          {pinned.answers.map((answer) => (
            <li key={answer.item.id}>
              <One pins={pins} said={answer} soundUrl={soundUrl} />
            </li>
          ))}
        </ul>
      )}
      {isOpen && <AnswerField pins={pins} to={pinned.item.id} onSpeak={onSpeak} />}
    </section>
  )
}

type Said = Pinned | Pinned['answers'][number]

function One({ pins, said, soundUrl }: { pins: Pins; said: Said; soundUrl: (recording: string) => string }) {
  const { item, author, agreedBy } = said
  const agrees = agreedBy.some(pins.isMine)
  const who = pins.nameOf(author)
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
      {item.voice && (
        <ListenButton voice={item.voice} source={soundUrl(item.voice.recording)} label={`what ${who} said`} />
      )}
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
