import { drawnItem, SIGN_FORMS, type SignForm, sayMarks, signAlong } from '@hand-back/core'
import { useState } from 'react'
import { OpensCard } from '../../page/strip/OpensCard.tsx'
import type { Tools } from '../../page/tools/useTools.ts'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { SIGN_WORDS } from './signKeys.ts'

/** The marks that a sign can give with it, in hundredths. */
const GIVES = [0, 50, 100, 200, 300]

/** The signs of feedback on tags, as pens are: a press takes one in hand, one more says what marks it gives. */
export function SignTags({ tools }: { tools: Tools }) {
  const [open, setOpen] = useState<SignForm>()
  return (
    <fieldset aria-label="Signs" className="grid min-w-0 grid-cols-3 gap-1.5">
      {SIGN_FORMS.map((form) => (
        <OpensCard
          key={form}
          open={open === form}
          onOpen={(opens) => setOpen(opens ? form : undefined)}
          width="19rem"
          button={
            <SignTag
              form={form}
              gives={tools.carries[form] ?? 0}
              inHand={tools.tool === 'sign' && tools.signing === form}
              onClick={(event) => {
                if (tools.tool === 'sign' && tools.signing === form) return
                event.preventDefault()
                tools.sign(form)
              }}
            />
          }
        >
          <p className="mb-2 font-semibold">Marks given with it: {SIGN_WORDS[form].words.toLowerCase()}</p>
          <OneOf
            label="Marks it gives"
            value={String(tools.carries[form] ?? 0)}
            onChoose={(hundredths) => {
              tools.carry(form, Number(hundredths))
              setOpen(undefined)
            }}
            className="flex gap-1.5"
          >
            {GIVES.map((gives) => (
              <Option
                key={gives}
                value={String(gives)}
                className={`min-h-[44px] min-w-[44px] flex-1 rounded-tag border px-2 font-semibold ${
                  (tools.carries[form] ?? 0) === gives
                    ? 'border-ink bg-ink text-sheet'
                    : 'border-rule bg-sheet'
                }`}
              >
                {gives === 0 ? 'none' : sayMarks(gives)}
              </Option>
            ))}
          </OneOf>
        </OpensCard>
      ))}
    </fieldset>
  )
}

interface SignTagProps extends Omit<React.ComponentProps<'button'>, 'form'> {
  form: SignForm
  gives: number
  inHand: boolean
}

function SignTag({ form, gives, inHand, ...button }: SignTagProps) {
  const { words, key } = SIGN_WORDS[form]
  return (
    <button
      {...button}
      type="button"
      aria-pressed={inHand}
      aria-label={gives > 0 ? `${words}, gives ${sayMarks(gives)}` : words}
      title={inHand ? 'Press again to let it give marks' : `${words} (${key.toUpperCase()})`}
      className={`relative grid h-[44px] min-w-0 place-items-center overflow-hidden rounded-tag border bg-sheet ${
        inHand ? 'border-ink outline outline-[3px] outline-ink' : 'border-rule hover:border-ink-soft'
      }`}
    >
      <SignPicture form={form} />
      {gives > 0 && (
        <span className="absolute top-0 right-1 text-xs font-semibold text-madder">+{sayMarks(gives)}</span>
      )}
    </button>
  )
}

/** The room of a tag that is drawn in, in points. */
const ROOM = { width: 48, height: 32 }

/** A sign as it will be on the page. */
function SignPicture({ form }: { form: SignForm }) {
  const middle = { x: ROOM.width / 2, y: ROOM.height / 2 }
  const from = form === 'wave' ? { x: 6, y: middle.y - 4 } : middle
  const to = form === 'wave' ? { x: ROOM.width - 6, y: middle.y - 4 } : middle
  const drawn = drawnItem(
    { ...signAlong(form, [from, to], ROOM, form === 'see me' ? 0.8 : 0.9, 0), id: form },
    () => 0,
  )
  return (
    <svg viewBox={`0 0 ${ROOM.width} ${ROOM.height}`} className="h-8 w-full" aria-hidden="true">
      {drawn.map((part, index) =>
        part.kind === 'path' ? (
          <path
            key={index}
            d={part.d}
            fill="none"
            stroke={part.stroke}
            strokeWidth={part.width}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ) : part.kind === 'text' ? (
          <text
            key={index}
            x={part.x}
            y={part.y}
            fontSize={part.size}
            fill={part.colour}
            className="font-serif font-semibold"
          >
            {part.text}
          </text>
        ) : null,
      )}
    </svg>
  )
}
