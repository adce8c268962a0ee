import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Field } from '../../ui/Field.tsx'
import type { Sending } from './useSending.ts'

/** Asks for the password of a PDF that opens only with it. */
export function PasswordForm({ sending }: { sending: Sending }) {
  const [password, setPassword] = useState('')
  return (
    <>
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          setPassword('')
          void sending.unlock(password)
        }}
      >
        <div className="flex-1">
          <Field
            label="Its password"
            type="password"
            autoComplete="off"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
        </div>
        <Button type="submit" look="main" disabled={sending.underWay !== undefined} className="shrink-0">
          Open it
        </Button>
      </form>
      <p className="mt-2 text-ink-soft">It is kept without its lock, so that students can see it.</p>
    </>
  )
}
