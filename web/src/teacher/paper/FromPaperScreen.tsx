import { CALLS, type HandoutWhole, type Person } from '@hand-back/core'
import { ArrowLeft, FolderOpen } from 'lucide-react'
import { useEffect, useMemo, useRef, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { useStore } from 'zustand'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { ManySheets } from '../../page/fromPaper/sheets/ManySheets.tsx'
import { Button } from '../../ui/Button.tsx'
import { FileInput } from '../../ui/FileInput.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import { saySentence } from '../../ui/notices.ts'
import { TakesFiles } from '../../ui/TakesFiles.tsx'
import { Tick } from '../../ui/Tick.tsx'
import { useHandout } from '../handout/useHandout.ts'
import { takeFiles } from './dropped.ts'
import { intoHandout } from './intoHandout.ts'
import { endReading, readingOf } from './readings.ts'

/** Work of a whole class that was done on paper: scans and photos find their way into the copies. */
export function FromPaperScreen({ person }: { person: Person }) {
  const { handout: id = '' } = useParams()
  const handout = useHandout(id)
  return <Fetched of={handout}>{(whole) => <Paper handout={whole} person={person} />}</Fetched>
}

/** How long the sheets may be on their way to school until one is told so, in milliseconds. */
const PATIENCE = 60_000

function Paper({ handout, person }: { handout: HandoutWhole; person: Person }) {
  const navigate = useNavigate()
  const file = useRef<HTMLInputElement>(null)
  const [takesIn, setTakesIn] = useState(true)
  const into = useMemo(() => intoHandout(handout, person), [handout, person])
  const reading = readingOf(handout.id, into)
  const { sheets } = useStore(reading.view)
  const add = (files: readonly File[]) => void reading.add(files)
  useEffect(() => {
    const dropped = takeFiles(handout.id)
    if (dropped.length > 0) void reading.add(dropped)
  }, [handout.id, reading])
  const back = `/handout/${handout.id}`
  const laid = async (copies: readonly string[]) => {
    const outbox = outboxOf(person.id)
    const there = await Promise.all(copies.map((copy) => outbox.emptied(copy, PATIENCE)))
    if (there.includes(false)) {
      saySentence('The sheets are kept on this device and go to school as soon as it can be reached.')
      return
    }
    if (takesIn) await takeInAll(handout, copies)
    await refresh(CALLS.handout, { handout: handout.id })
  }
  const done = () => {
    endReading(handout.id)
    void navigate(back)
  }
  return (
    <TakesFiles onFiles={add} words="Let go: the sheets are read">
      <div className="mb-5 border-b border-rule pb-4">
        <Link
          to={back}
          className="inline-flex items-center gap-1.5 text-ink-soft no-underline hover:underline"
        >
          <ArrowLeft size={18} aria-hidden="true" /> {handout.title}, {handout.className}
        </Link>
        <h1 className="text-head">From paper</h1>
      </div>
      {sheets.length === 0 ? (
        <section className="mx-auto mt-8 grid max-w-xl justify-items-center gap-4 rounded-md border-2 border-rule border-dashed p-8 text-center">
          <h2 className="text-xl">Drop the sheets here</h2>
          <p className="text-ink-soft">
            A scan as PDF, or photos of the sheets: all of them at once, in any order. Each finds its copy by
            the code in its corner.
          </p>
          <Button look="main" large onClick={() => file.current?.click()}>
            <FolderOpen size={18} aria-hidden="true" /> Choose files
          </Button>
          <p className="text-ink-soft">
            Codes are printed under <b>Print</b>. A sheet without one is laid by hand.
          </p>
        </section>
      ) : (
        <ManySheets
          reading={reading}
          into={into}
          onLaid={laid}
          onDone={done}
          underWay={<OnTheirWay person={person} />}
          besides={
            handout.way !== 'read' && (
              <Tick ticked={takesIn} onTick={setTakesIn}>
                Count these copies as handed in
              </Tick>
            )
          }
        />
      )}
      <FileInput
        ref={file}
        accept="image/*,application/pdf"
        multiple
        aria-label="Sheets of paper"
        onFiles={add}
      />
    </TakesFiles>
  )
}

/** Counts copies as handed in; those that went back already stay as they are. */
async function takeInAll({ copies }: HandoutWhole, ids: readonly string[]): Promise<void> {
  const toTake = copies.filter(({ id, state }) => ids.includes(id) && state !== 'handed back')
  await Promise.all(toTake.map(({ id }) => ask(CALLS.takeIn, { copy: id })))
}

/** How many sheets have not reached school yet. */
function OnTheirWay({ person }: { person: Person }) {
  const left = useStore(outboxOf(person.id).state, ({ going }) =>
    [...going.values()].reduce((sum, count) => sum + count, 0),
  )
  return <p role="status">{left > 0 ? `${left} on the way to school …` : 'One moment …'}</p>
}
