import { CALLS, type HandoutWhole, type StudentSet, type WorksheetWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { Link, useLocation, useNavigate, useParams, useSearchParams } from 'react-router'
import { ask, Problem } from '../../api/ask.ts'
import { queryClient } from '../../api/queries.ts'
import { Button } from '../../ui/Button.tsx'
import { Empty, Fetched, Loading } from '../../ui/Notice.tsx'
import { useAct } from '../../ui/useAct.ts'
import { sayWhen } from '../../ui/when.ts'
import { asked } from '../asked.ts'
import { GoesOn } from '../GoesOn.tsx'
import { useDraft } from '../useDraft.ts'
import { ClassPart } from './ClassPart.tsx'
import { type Choices, choices, nothingChosen } from './choices.ts'
import { useForSome } from './forSome.ts'
import { HasIt } from './HasIt.tsx'
import { PagesChoice } from './PagesChoice.tsx'
import { spokenWaiting } from './spokenWaiting.ts'
import { type Terms, TermsFields, termsOf } from './TermsFields.tsx'
import { keepSets, usePlanned } from './usePlanned.ts'
import { WayChoice } from './WayChoice.tsx'
import { WhatHappens } from './WhatHappens.tsx'

/** Handing out: choose who and how, see who gets what, let it go. */
export function HandingOut() {
  const { worksheet: id = '' } = useParams()
  const [search] = useSearchParams()
  const where = useLocation()
  const again = search.get('again') ?? ''
  const worksheet = useQuery(asked.worksheet(id))
  const classes = useQuery(asked.classes())
  const before = useQuery({ ...asked.handout(again), enabled: again !== '' })
  if (again !== '' && before.isPending) return <Loading />
  return (
    <Fetched of={worksheet}>
      {(whole) => (
        <>
          <h1 className="mb-6 border-b border-rule pb-4 text-head">Hand out {whole.title}</h1>
          <Fetched of={classes}>
            {(list) =>
              list.length === 0 ? (
                <Empty title="No class yet">
                  <Link to="/classes" className="font-semibold text-verdigris">
                    Make a class
                  </Link>{' '}
                  first, then hand this out to it.
                </Empty>
              ) : (
                <Plan
                  key={`${id} ${again} ${where.key}`}
                  worksheet={whole}
                  before={before.data}
                  classes={list}
                />
              )
            }
          </Fetched>
        </>
      )}
    </Fetched>
  )
}

interface Card {
  readonly id: string
  readonly name: string
  readonly students: number
}

/** The class that one came from; else the first, and handed out again the first that did not have it. */
function firstChoice(list: readonly Card[], before: HandoutWhole | undefined, from: string | null): string[] {
  const first = list.find(({ id }) => id === from) ?? list.find(({ id }) => id !== before?.classId) ?? list[0]
  return first ? [first.id] : []
}

interface PlanProps {
  worksheet: WorksheetWhole
  before: HandoutWhole | undefined
  classes: readonly Card[]
}

function Plan({ worksheet, before, classes }: PlanProps) {
  const { sheet } = worksheet
  const [search] = useSearchParams()
  const forSome = useForSome()
  const draft = useDraft(`hand-out ${worksheet.id} ${before?.id ?? forSome?.id ?? ''}`, choices, () => ({
    request: crypto.randomUUID(),
    classes: forSome ? [forSome.class] : firstChoice(classes, before, search.get('class')),
    way: before?.way ?? 'own',
    of: forSome ? { [forSome.class]: { ...nothingChosen, left: [...forSome.left] } } : {},
    terms: termsOf(before, worksheet.unit),
  }))
  const { way, deal, only, terms, request } = draft.value
  const chosen = draft.value.classes.filter((id) => classes.some((each) => each.id === id))
  const set = (some: Partial<Choices>) => draft.change((all) => ({ ...all, ...some }))
  const navigate = useNavigate()
  const sets = way === 'own' && !deal ? sheet.sets : NO_SETS
  const { parts, isLoaded } = usePlanned(worksheet, draft.value, chosen, sets)
  const count = parts.reduce((sum, { plan }) => sum + (typeof plan === 'string' ? 0 : plan.copies.length), 0)
  const ready = parts.length > 0 && isLoaded && parts.every(({ plan }) => typeof plan !== 'string')
  const { run, busy, problem } = useAct(async () => {
    if (terms.spoken) await haveSpoken(terms.spoken.id)
    const asks = parts.map(({ roster, wish }) => ({ class: roster.id, ...wish }))
    const { handouts } = await ask(
      CALLS.handOut,
      {},
      { request, worksheet: worksheet.id, classes: asks, ...terms },
    )
    draft.done()
    for (const part of parts) void keepSets(part, sets)
    void queryClient.invalidateQueries()
    await navigate(handouts.length === 1 ? `/handout/${handouts[0]}` : '/')
  })
  const choose = (id: string) =>
    set({ classes: chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id] })

  return (
    <div className="grid items-start gap-9 laptop:grid-cols-[1fr_360px]">
      <div className="flex min-w-0 flex-col gap-7">
        <GoesOn draft={draft} />
        <fieldset>
          <legend className="mb-2 font-semibold">Which class?</legend>
          <div className="flex flex-wrap gap-2">
            {classes.map(({ id, name, students }) => (
              <Button
                key={id}
                large
                aria-pressed={chosen.includes(id)}
                className={chosen.includes(id) ? '!border-ink outline outline-2 outline-ink' : ''}
                onClick={() => choose(id)}
              >
                {name} <span className="tabular font-normal text-ink-soft">{students}</span>
              </Button>
            ))}
          </div>
        </fieldset>
        <WayChoice way={way} onChange={(to) => set({ way: to })} />
        <PagesChoice
          sheet={sheet}
          canDeal={way === 'own'}
          deal={way === 'own' ? deal : undefined}
          only={only}
          onChoose={set}
        />
        {parts.map(({ roster, choice, asKept }) => (
          <ClassPart
            key={roster.id}
            roster={roster}
            sheet={sheet}
            way={way}
            dealt={deal !== undefined && way === 'own'}
            choice={choice}
            asKept={asKept}
            onChange={(next) => draft.change((all) => ({ ...all, of: { ...all.of, [roster.id]: next } }))}
          />
        ))}
        <TermsFields terms={terms} way={way} spokenFor={worksheet.id} onChange={(to) => set({ terms: to })} />
      </div>

      <section
        aria-live="polite"
        className="sticky top-4 flex flex-col gap-4 rounded-md border border-rule bg-card p-6"
      >
        <h2 className="text-lg">What will happen</h2>
        {chosen.length === 0 && <p className="text-ochre">Choose a class.</p>}
        {parts.map(({ roster }) => (
          <HasIt key={roster.id} roster={roster} worksheet={worksheet.id} />
        ))}
        {parts.map(({ roster, plan }) => (
          <WhatHappens key={roster.id} plan={plan} sheet={sheet} className={roster.name} />
        ))}
        <p className="text-ink-soft">{whenInWords(terms)}</p>
        {problem && (
          <p role="alert" className="text-madder">
            {problem}
          </p>
        )}
        <Button look="main" large disabled={busy || !ready} onClick={() => void run()}>
          {!ready
            ? 'Hand out'
            : busy
              ? 'Handing out …'
              : `Hand out ${count} ${count === 1 ? 'copy' : 'copies'}`}
        </Button>
      </section>
    </div>
  )
}

/** What was spoken is at school. Throws `Problem` when it cannot be now. */
async function haveSpoken(id: string): Promise<void> {
  const waiting = spokenWaiting()
  await waiting.flush()
  const standing = waiting.state.getState().get(id)
  if (standing === undefined) return
  throw new Problem(
    standing === 'going'
      ? 'What you said has not reached school yet. Try again in a moment, or remove it.'
      : standing.refused,
    0,
  )
}

const NO_SETS: readonly StudentSet[] = []

function whenInWords({ opensAt, dueAt }: Terms): string {
  const opens = opensAt === null ? 'They have it at once' : `They have it from ${sayWhen(opensAt)}`
  return `${opens}, ${dueAt === null ? 'with no date to hand in' : `due ${sayWhen(dueAt)}`}.`
}
