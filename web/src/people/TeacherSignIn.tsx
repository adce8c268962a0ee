import { CALLS } from '@hand-back/core'
import { useState } from 'react'
import { ActForm } from '../ui/ActForm.tsx'
import { Button } from '../ui/Button.tsx'
import { Field } from '../ui/Field.tsx'
import { useAct } from '../ui/useAct.ts'
import { signInBy } from './welcome.ts'

export function TeacherSignIn() {
  const [name, setName] = useState('')
  const [password, setPassword] = useState('')
  const { run, busy, problem } = useAct(() => signInBy(CALLS.signInTeacher, { name, password }))
  return (
    <ActForm onAct={run} className="flex flex-col gap-4">
      <h2 className="text-2xl">Teacher</h2>
      <Field
        label="Name"
        autoComplete="username"
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Field
        label="Password"
        type="password"
        autoComplete="current-password"
        value={password}
        onChange={(event) => setPassword(event.target.value)}
        problem={problem}
      />
      <Button type="submit" look="main" large disabled={busy || name.trim() === '' || password === ''}>
        Come in
      </Button>
    </ActForm>
  )
}

/** The first visit to a new school makes the first teacher's account. */
export function FirstTeacher({ asksCode }: { asksCode: boolean }) {
  const [name, setName] = useState('')
  const [password, setPassword] = useState('')
  const [setupCode, setSetupCode] = useState('')
  const { run, busy, problem } = useAct(() =>
    signInBy(CALLS.firstTeacher, { name, password, ...(asksCode ? { setupCode } : {}) }),
  )
  return (
    <ActForm
      onAct={run}
      className="flex w-full max-w-[420px] flex-col gap-4 rounded-md border border-rule bg-card p-6"
    >
      <h2 className="text-2xl">Welcome. Who are you?</h2>
      <p className="text-ink-soft">Nobody has been here before. This makes the first teacher’s account.</p>
      {asksCode && (
        <Field
          label="Setup code"
          autoComplete="off"
          autoCapitalize="characters"
          value={setupCode}
          onChange={(event) => setSetupCode(event.target.value)}
          hint="It stands where Hand Back was started, so that nobody else on the network becomes the teacher."
        />
      )}
      <Field
        label="Your name"
        autoComplete="username"
        value={name}
        onChange={(event) => setName(event.target.value)}
        hint="As your students know you."
      />
      <Field
        label="A password"
        type="password"
        autoComplete="new-password"
        value={password}
        onChange={(event) => setPassword(event.target.value)}
        hint="At least 10 characters."
        problem={problem}
      />
      <Button type="submit" look="main" large disabled={busy}>
        Begin
      </Button>
    </ActForm>
  )
}
