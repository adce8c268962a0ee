import { useState } from 'react'
import { openOutbox } from '../page/device/personOutbox.ts'
import { Button } from '../ui/Button.tsx'
import { fetchedPart, useWarm } from '../ui/fetchedPart.tsx'
import { signOut } from './signOut.ts'

const NotAtSchool = fetchedPart('NotAtSchool', () => import('./NotAtSchool.tsx'))

/** Fetches what signing out asks, where the network may be gone by the time somebody does. */
export const warmSignOut = NotAtSchool.warm

interface SignOutButtonProps {
  large?: boolean
  /** On how many copies something was spoken, on this device, that is not kept yet. */
  spoken: number
}

/** Signs out. What has not reached school, or is not kept yet, is said before. */
export function SignOutButton({ large = false, spoken }: SignOutButtonProps) {
  const [asks, setAsks] = useState(false)
  useWarm(warmSignOut)
  const press = () => {
    if (spoken > 0 || (openOutbox()?.waiting().length ?? 0) > 0) setAsks(true)
    else void signOut()
  }
  return (
    <>
      <Button look="quiet" large={large} onClick={press}>
        Sign out
      </Button>
      {asks && <NotAtSchool spoken={spoken} onClose={() => setAsks(false)} />}
    </>
  )
}
