import { CALLS, type JoinStanding } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { ask } from '../api/ask.ts'
import { keyOf } from '../api/queries.ts'
import { Field } from '../ui/Field.tsx'
import { RequestForm } from '../ui/RequestForm.tsx'
import { useAct } from '../ui/useAct.ts'
import { signInBy } from './welcome.ts'

/** Whoever is not on the list asks to be let in, and waits until the teacher has answered. */
export function AskToJoin({ code, className }: { code: string; className: string }) {
  const [name, setName] = useState('')
  const [pin, setPin] = useState('')
  const [asked, setAsked] = useState<JoinStanding>()
  const { run, busy, problem } = useAct(async () => setAsked(await ask(CALLS.join, {}, { code, name, pin })))
  if (asked) return <Waiting asked={asked} code={code} pin={pin} name={name} />
  return (
    <RequestForm
      form={{ submit: run, refused: problem, busy }}
      send="Ask to be let in"
      ready={name.trim() !== '' && pin.length === 4}
      large
    >
      <h2 className="text-2xl">New in {className}</h2>
      <Field
        label="Your name"
        autoComplete="off"
        maxLength={80}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Field
        label="A PIN that you can remember"
        type="password"
        inputMode="numeric"
        autoComplete="off"
        maxLength={4}
        value={pin}
        onChange={(event) => setPin(event.target.value.replace(/\D/g, ''))}
        hint="Four digits."
      />
    </RequestForm>
  )
}

/** How often it is asked whether the teacher has answered, in milliseconds. */
const ASK_EVERY = 3000

interface WaitingProps {
  asked: JoinStanding
  code: string
  pin: string
  name: string
}

function Waiting({ asked, code, pin, name }: WaitingProps) {
  const { data = asked } = useQuery({
    queryKey: keyOf(CALLS.joinStanding, { join: asked.id }),
    queryFn: () => ask(CALLS.joinStanding, { join: asked.id }),
    initialData: asked,
    refetchInterval: ({ state }) => (state.data?.state === 'waiting' ? ASK_EVERY : false),
  })
  const { run, problem } = useAct(() => signInBy(CALLS.signInStudent, { code, student: data.student, pin }))
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when they were let in
  useEffect(() => {
    if (data.state === 'let in') void run()
  }, [data.state])
  if (data.state === 'not let in')
    return (
      <p role="status" className="text-lg">
        Your teacher has not let you in. Ask them.
      </p>
    )
  return (
    <div role="status" className="flex flex-col gap-3">
      <h2 className="text-2xl">Hello, {name}</h2>
      <p>Tell your teacher that you are here. As soon as they let you in, your tray opens by itself.</p>
      {problem && <p className="text-madder">{problem}</p>}
    </div>
  )
}
