import { CALLS, type Person, passwordChange } from '@hand-back/core'
import { useState } from 'react'
import { ask } from '../api/ask.ts'
import { queries, queryClient } from '../api/queries.ts'
import { Button } from '../ui/Button.tsx'
import { Dialog } from '../ui/Dialog.tsx'
import { Field } from '../ui/Field.tsx'
import { saySentence } from '../ui/notices.ts'
import { RequestForm } from '../ui/RequestForm.tsx'
import { useAct } from '../ui/useAct.ts'
import { useRequestForm } from '../ui/useRequestForm.ts'
import { signOut } from './signOut.ts'

/** A teacher's own sign-in: another password, and signing out on every device at once. */
export function OwnAccount({ person }: { person: Person }) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button
        type="button"
        className="min-h-[38px] truncate rounded-tag px-2 font-bold hover:bg-blotter max-phone:hidden"
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
  const form = useRequestForm(passwordChange, { now: '', to: '' }, async (sent) => {
    const me = await ask(CALLS.changePassword, {}, sent)
    queryClient.setQueryData(queries.me().queryKey, me)
    saySentence('Your password is changed. Everywhere else you are signed out.')
    onDone()
  })
  const { now, to } = form.typed
  return (
    <RequestForm form={form} send="Change it" ready={now !== '' && to !== ''} className="flex flex-col gap-3">
      <h3 className="text-lg">Another password</h3>
      <Field
        label="The one you have now"
        type="password"
        autoComplete="current-password"
        {...form.field('now')}
      />
      <Field
        label="The new one"
        type="password"
        autoComplete="new-password"
        hint="At least 10 characters."
        {...form.field('to')}
      />
    </RequestForm>
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
