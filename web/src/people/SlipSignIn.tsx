import { CALLS, type Person } from '@hand-back/core'
import { useEffect, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { ask } from '../api/ask.ts'
import { Button, LinkButton } from '../ui/Button.tsx'
import { Loading } from '../ui/Notice.tsx'
import { useAct } from '../ui/useAct.ts'
import { DoorCard } from './DoorCard.tsx'
import { signInBy } from './welcome.ts'

/** Where the code on a slip leads: it asks whether one is who it is for, before it changes who is signed in. */
export function SlipSignIn({ here }: { here: Person | null }) {
  const { token = '' } = useParams()
  const navigate = useNavigate()
  const [name, setName] = useState<string>()
  const look = useAct(async () => setName((await ask(CALLS.slipOwner, {}, { token })).name))
  const comeIn = useAct(async () => {
    await signInBy(CALLS.signInSlip, { token })
    await navigate('/', { replace: true })
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each slip
  useEffect(() => void look.run(), [token])
  const problem = look.problem ?? comeIn.problem
  if (problem)
    return (
      <DoorCard title="This slip does not work any more">
        <p role="alert">{problem}</p>
        <LinkButton to="/" look="main" large>
          Come in with the class code
        </LinkButton>
      </DoorCard>
    )
  if (!name) return <Loading />
  return (
    <DoorCard title={`Are you ${name}?`}>
      {here && here.name !== name && <p>{here.name} is signed in here now, and will be signed out.</p>}
      <div className="flex flex-wrap gap-3">
        <Button
          look="main"
          large
          className="min-w-[180px]"
          disabled={comeIn.busy}
          onClick={() => void comeIn.run()}
        >
          Yes, come in
        </Button>
        <LinkButton to="/" large>
          No
        </LinkButton>
      </div>
    </DoorCard>
  )
}
