import type { CopyRow, CopySum, HandoutWhole } from '@hand-back/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { TextButton } from '../../ui/TextButton.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { useAct } from '../../ui/useAct.ts'
import { count, sayWhen } from '../../ui/when.ts'
import { Given } from '../marking/Given.tsx'
import { isReviewed } from '../marking/pileOrder.ts'
import { Either } from './Either.tsx'
import { GoFor } from './GoFor.tsx'
import { goWithMarks, handBack } from './handBack.ts'
import { MomentField } from './MomentField.tsx'
import { dueHint } from './momentHints.ts'

interface HandBackDialogProps {
  handout: HandoutWhole
  sums: readonly CopySum[]
  /** Only this copy; left out: all that are handed in, to choose among. */
  only?: CopyRow
  /** For another go, to begin with. */
  again?: boolean
  /** What is still on its way goes first; not fulfilled with true: nothing goes. */
  ready?: () => Promise<boolean>
  onClose: () => void
}

/** Which copies go back, what for and when; what its students will see is one press away. */
export function HandBackDialog({ handout, sums, only, again = false, ready, onClose }: HandBackDialogProps) {
  const offered = only ? [only] : handout.copies.filter(({ state }) => state === 'handed in')
  const reviewed = offered.filter((copy) => isReviewed(copy, sums)).map(({ id }) => id)
  const all = offered.map(({ id }) => id)
  const [chosen, setChosen] = useState<readonly string[]>(reviewed.length > 0 ? reviewed : all)
  /** It is with its student already: only another go is left to be asked for, now. */
  const isBack = only?.state === 'handed back'
  const [isAgain, setAgain] = useState(again)
  const [dueAt, setDueAt] = useState<number | null>(null)
  /** The questions that it is for; nothing: everything. */
  const [goFor, setGoFor] = useState<readonly string[]>()
  const [isLater, setLater] = useState(false)
  const [at, setAt] = useState<number | null>(null)
  const [marks, setMarks] = useState(goWithMarks(handout))
  const hasMarks = sums.some(({ full }) => full > 0)
  const going = only ? all : all.filter((id) => chosen.includes(id))
  const goes = useAct(async () => {
    if (ready && !(await ready())) return
    await handBack(handout.id, going, {
      at: isLater ? at : null,
      marks,
      again: isAgain ? { dueAt, ...(goFor ? { questions: [...goFor] } : {}) } : null,
    })
    onClose()
  })
  const isPast = isLater && at !== null && at <= Date.now()
  const isAtSome = isAgain && goFor !== undefined
  const isWhole =
    going.length > 0 && !(isAtSome && goFor.length === 0) && (!isLater || (at !== null && !isPast))
  const toggle = (id: string) =>
    setChosen(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id])
  return (
    <Dialog open onClose={onClose} wide={!only} title={only ? `Hand back to ${only.name}` : 'Hand back'}>
      <div className={only ? '' : 'grid grid-cols-[1fr_300px] gap-6 max-tablet:grid-cols-1'}>
        {!only && (
          <fieldset className="min-w-0">
            <legend className="mb-2 flex w-full flex-wrap items-baseline gap-x-4 font-semibold">
              Which copies
              {reviewed.length > 0 && reviewed.length < all.length && (
                <TextButton look="plain" onClick={() => setChosen(reviewed)}>
                  the {reviewed.length} reviewed
                </TextButton>
              )}
              <TextButton look="plain" onClick={() => setChosen(going.length === all.length ? [] : all)}>
                {going.length === all.length ? 'none' : `all ${all.length}`}
              </TextButton>
            </legend>
            <ul className="max-h-[52vh] overflow-y-auto border-y border-rule">
              {offered.map((copy) => (
                <OneOffered
                  key={copy.id}
                  handout={handout.id}
                  copy={copy}
                  sum={sums.find((sum) => sum.copy === copy.id)}
                  chosen={chosen.includes(copy.id)}
                  onToggle={() => toggle(copy.id)}
                />
              ))}
            </ul>
          </fieldset>
        )}
        <div className="flex flex-col gap-5">
          <Either
            label="What for"
            first="To read"
            second="Another go"
            isSecond={isAgain}
            onChoose={isBack ? undefined : setAgain}
          >
            {isAgain ? (
              <>
                <GoFor handout={handout.id} goFor={goFor} onChoose={setGoFor} />
                <MomentField
                  label="Due"
                  aloneMeans="end"
                  value={dueAt}
                  hint={`${dueHint(dueAt, 'Empty: no date.')} What you wrote stays in sight.`}
                  onChange={setDueAt}
                />
              </>
            ) : (
              <p className="text-ink-soft">They read it and answer it; their pages take no more ink.</p>
            )}
          </Either>
          {!isBack && hasMarks && (
            <Either
              label="Marks"
              first="With them"
              second="Without"
              isSecond={!marks}
              onChoose={(without) => setMarks(!without)}
            >
              {!marks && <p className="text-ink-soft">They stay with you until you give them.</p>}
            </Either>
          )}
          {!isBack && (
            <Either label="When" first="Now" second="Later" isSecond={isLater} onChoose={setLater}>
              {isLater && (
                <MomentField
                  label="Goes back"
                  aloneMeans="start"
                  value={at}
                  hint={
                    isPast ? 'That moment has passed.' : 'By itself. Until then nobody sees anything of it.'
                  }
                  onChange={setAt}
                />
              )}
            </Either>
          )}
          {goes.problem && <p className="text-madder">{goes.problem}</p>}
          <Button look="back" large disabled={!isWhole || goes.busy} onClick={() => void goes.run()}>
            {going.length === 0
              ? 'Choose a copy'
              : `Hand back ${only ? '' : count(going.length, 'copy', 'copies')} ${isLater && at !== null && !isPast ? sayWhen(at) : isLater ? 'later' : 'now'}`}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}

interface OneOfferedProps {
  handout: string
  copy: CopyRow
  sum: CopySum | undefined
  chosen: boolean
  onToggle: () => void
}

/** One copy that can go back, with what is missing on it, and the way to a last look. */
function OneOffered({ handout, copy, sum, chosen, onToggle }: OneOfferedProps) {
  const left = sum && sum.full > 0 ? sum.left : 0
  return (
    <li className="flex items-center gap-3 border-b border-rule last:border-0">
      <Tick ticked={chosen} onTick={onToggle} className="min-w-0 flex-1 px-2 hover:bg-sheet">
        <span className="min-w-0 flex-1 truncate">{copy.name}</span>
        {copy.handsBackAt !== null && <span className="text-slate">goes {sayWhen(copy.handsBackAt)}</span>}
        {left > 0 ? (
          <span className="text-ochre">{count(left, 'question', 'questions')} without marks</span>
        ) : (
          <Given sum={sum} whole />
        )}
      </Tick>
      <Link
        to={`/handout/${handout}/pile/${copy.id}`}
        aria-label={`Look at ${copy.name}’s copy`}
        className="px-2 py-2 whitespace-nowrap"
      >
        Look
      </Link>
    </li>
  )
}
