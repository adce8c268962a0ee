import { CALLS, type Person } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { got } from '../api/queries.ts'
import { Button } from '../ui/Button.tsx'
import { fetchedPart } from '../ui/fetchedPart.tsx'

const MailChoice = fetchedPart('MailChoice', () => import('./MailChoice.tsx'))

/** What comes to a student by mail; nothing where school has no address of theirs. */
export function MailButton({ person }: { person: Person }) {
  const [open, setOpen] = useState(false)
  const { data } = useQuery({ ...got(CALLS.ownMail, {}), staleTime: Number.POSITIVE_INFINITY, retry: false })
  if (!data?.address) return null
  return (
    <>
      <Button look="quiet" large onClick={() => setOpen(true)}>
        Mail
      </Button>
      {open && <MailChoice person={person} address={data.address} onClose={() => setOpen(false)} />}
    </>
  )
}
