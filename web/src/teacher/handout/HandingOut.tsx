import { type ClassWhole, planHandout, type WorksheetWhole } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import { z } from 'zod'
import { ask } from '../../api/ask.ts'
import { queries, queryClient } from '../../api/queries.ts'
import { PaperThumb } from '../../page/paper/PaperThumb.tsx'
import { Button } from '../../ui/Button.tsx'
import { Field, INPUT } from '../../ui/Field.tsx'
import { Answer, Empty } from '../../ui/Notice.tsx'
import { useAct } from '../../ui/useAct.ts'

/** Handing out: choose who, see who gets what, let it go. */
export function HandingOut() {
  const { worksheet: id = '' } = useParams()
  const worksheet = useQuery(queries.worksheet(id))
  const classes = useQuery(queries.classes())
  const [chosen, setChosen] = useState<string>()
  const classId = chosen ?? classes.data?.[0]?.id
  const roster = useQuery({ ...queries.class(classId ?? ''), enabled: classId !== undefined })
  return (
    <Answer of={worksheet}>
      {(whole) => (
        <>
          <h1 className="mb-6 border-b border-rule pb-4 text-[28px]">Hand out {whole.title}</h1>
          <Answer of={classes}>
            {(list) =>
              list.length === 0 ? (
                <Empty title="No class yet">
                  <Link to="/classes" className="font-semibold text-verdigris">
                    Make a class
                  </Link>{' '}
                  first, then hand this out to it.
                </Empty>
              ) : (
                <>
                  <fieldset className="mb-6 flex flex-wrap gap-2">
                    <legend className="mb-2 font-semibold">Which class?</legend>
                    {list.map((each) => (
                      <Button
                        key={each.id}
                        large
                        aria-pressed={each.id === classId}
                        className={each.id === classId ? '!border-ink outline outline-2 outline-ink' : ''}
                        onClick={() => setChosen(each.id)}
                      >
                        {each.name} <span className="tabular font-normal text-ink-soft">{each.students}</span>
                      </Button>
                    ))}
                  </fieldset>
                  <Answer of={roster}>
                    {(each) => <Details key={each.id} worksheet={whole} roster={each} />}
                  </Answer>
                </>
              )
            }
          </Answer>
        </>
      )}
    </Answer>
  )
}

function Details({ worksheet, roster }: { worksheet: WorksheetWhole; roster: ClassWhole }) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const [due, setDue] = useState('')
  const [instructions, setInstructions] = useState('')
  // One id for this giving, however often the button is pressed.
  const [request] = useState(() => crypto.randomUUID())
  const navigate = useNavigate()

  const students = useMemo(
    () => roster.students.filter(({ id }) => !left.has(id)).map(({ id }) => id),
    [roster, left],
  )
  const plan = useMemo(() => {
    try {
      return planHandout(roster.students, students)
    } catch (error) {
      return error as Error
    }
  }, [roster, students])
  const { run, busy, problem } = useAct(async () => {
    const { id } = await ask(z.object({ id: z.uuid() }), 'POST', '/handouts', {
      request,
      worksheet: worksheet.id,
      class: roster.id,
      students,
      dueAt: due ? new Date(due).getTime() : null,
      instructions,
    })
    void queryClient.invalidateQueries()
    await navigate(`/handout/${id}`)
  })
  const toggle = (id: string) =>
    setLeft((before) => (before.has(id) ? without(before, id) : new Set(before).add(id)))
  useEffect(
    () =>
      setLeft(
        (before) => new Set([...before].filter((id) => roster.students.some((student) => student.id === id))),
      ),
    [roster],
  )

  return (
    <div className="grid items-start gap-9 lg:grid-cols-[1fr_340px]">
      <div className="flex flex-col gap-6">
        <fieldset>
          <legend className="mb-2 font-semibold">Who gets a copy?</legend>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-1">
            {roster.students.map(({ id, name }) => (
              <li key={id}>
                <label className="flex min-h-[38px] cursor-pointer items-center gap-2.5 rounded-tag px-2 hover:bg-card">
                  <input
                    type="checkbox"
                    checked={!left.has(id)}
                    onChange={() => toggle(id)}
                    className="h-[18px] w-[18px] accent-verdigris"
                  />
                  <span className={left.has(id) ? 'text-ink-soft line-through' : ''}>{name}</span>
                </label>
              </li>
            ))}
          </ul>
        </fieldset>
        <div className="w-[260px]">
          <Field
            label="Due"
            type="datetime-local"
            value={due}
            onChange={(event) => setDue(event.target.value)}
            hint={
              due && new Date(due) < new Date()
                ? 'That moment has passed; it will show as late.'
                : 'Leave it empty for no date.'
            }
          />
        </div>
        <label className="flex flex-col gap-1 font-semibold">
          What to tell them
          <textarea
            rows={3}
            maxLength={2000}
            value={instructions}
            onChange={(event) => setInstructions(event.target.value)}
            className={`${INPUT} font-normal`}
            placeholder="They see it when they open their copy."
          />
        </label>
      </div>

      <section
        aria-live="polite"
        className="sticky top-4 flex flex-col gap-4 rounded-md border border-rule bg-card p-6"
      >
        <h2 className="text-lg">What will happen</h2>
        <div className="flex gap-4">
          <PaperThumb page={worksheet.sheet.pages[0]!} width={84} label="First page" />
          {plan instanceof Error ? (
            <p className="text-ochre">{plan.message}</p>
          ) : (
            <div>
              <p>
                <b className="tabular">{plan.copies.length}</b>{' '}
                {plan.copies.length === 1
                  ? 'student gets a copy'
                  : `students of ${roster.name} get a copy each`}
                .
              </p>
              <p className="text-ink-soft">
                {worksheet.sheet.pages.length} {worksheet.sheet.pages.length === 1 ? 'page' : 'pages'}, each
                for themselves alone. Nobody sees another’s.
              </p>
            </div>
          )}
        </div>
        {!(plan instanceof Error) && plan.leftOut.length > 0 && (
          <p>
            <b>Left out:</b> {plan.leftOut.map(({ name }) => name).join(', ')}
          </p>
        )}
        {problem && (
          <p role="alert" className="text-madder">
            {problem}
          </p>
        )}
        <Button look="main" large disabled={busy || plan instanceof Error} onClick={() => void run()}>
          {plan instanceof Error
            ? 'Hand out'
            : busy
              ? 'Handing out …'
              : `Hand out ${plan.copies.length} ${plan.copies.length === 1 ? 'copy' : 'copies'}`}
        </Button>
      </section>
    </div>
  )
}

function without(set: ReadonlySet<string>, id: string): Set<string> {
  const rest = new Set(set)
  rest.delete(id)
  return rest
}
