import { CALLS, type Person } from '@hand-back/core'
import { useState } from 'react'
import { ask } from '../api/ask.ts'
import { queries, queryClient } from '../api/queries.ts'
import { ActForm } from '../ui/ActForm.tsx'
import { Button } from '../ui/Button.tsx'
import { Dialog } from '../ui/Dialog.tsx'
import { Field } from '../ui/Field.tsx'
import { saySentence } from '../ui/notices.ts'
import { useAct } from '../ui/useAct.ts'
import { signOut } from './signOut.ts'

/** A teacher's own sign-in: another password, and signing out on every device at once. */
export function OwnAccount({ person }: { person: Person }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button
        type="button"
        className="min-h-[38px] truncate rounded-tag px-2 font-bold hover:bg-blotter max-[560px]:hidden"
        onClick={() => setOpen(true)}
      >
        {person.name}
      </button>
      {open && (
        <Dialog open onClose={() => setOpen(false)} title={person.name}>
          <NewPassword onDone={() => setOpen(false)} />
          <Everywhere />
        </Dialog>
      )}
    </>
  )
}

function NewPassword({ onDone }: { onDone: () => void }) {
  const [now, setNow] = useState('')
  const [to, setTo] = useState('')
  const { run, busy, problem } = useAct(async () => {
    const me = await ask(CALLS.changePassword, {}, { now, to })
    queryClient.setQueryData(queries.me().queryKey, me)
    saySentence('Your password is changed. Everywhere else you are signed out.')
    onDone()
  })
  return (
    <ActForm onAct={run} className="flex flex-col gap-3">
      <h3 className="text-lg">Another password</h3>
      <Field
        label="The one you have now"
        type="password"
        autoComplete="current-password"
        value={now}
        onChange={(event) => setNow(event.target.value)}
      />
      <Field
        label="The new one"
        type="password"
        autoComplete="new-password"
        value={to}
        onChange={(event) => setTo(event.target.value)}
        hint="At least 10 characters."
        problem={problem}
      />
      <Button type="submit" look="main" disabled={busy || now === '' || to === ''} className="self-start">
        Change it
      </Button>
    </ActForm>
  )
}

function Everywhere() {
  const { run, busy, problem } = useAct(async () => {
    await ask(CALLS.signOutEverywhere)
    await signOut()
  })
  return (
    <div className="mt-6 border-t border-rule pt-4">
      <p className="mb-3 text-ink-soft">Did you leave yourself signed in somewhere?</p>
      <Button disabled={busy} onClick={() => void run()}>
        Sign out everywhere
      </Button>
      {problem && (
        <p role="alert" className="mt-2 text-madder">
          {problem}
        </p>
      )}
    </div>
  )
}
