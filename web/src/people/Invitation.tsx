import { CALLS, type InvitationTold, newColleague, type Person } from '@hand-back/core'
import { useEffect, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { ask } from '../api/ask.ts'
import { refresh } from '../api/queries.ts'
import { Button, LinkButton } from '../ui/Button.tsx'
import { Loading } from '../ui/Notice.tsx'
import { RequestForm } from '../ui/RequestForm.tsx'
import { useAct } from '../ui/useAct.ts'
import { useRequestForm } from '../ui/useRequestForm.ts'
import { AccountFields } from './AccountFields.tsx'
import { DoorCard } from './DoorCard.tsx'
import { TeacherSignIn } from './TeacherSignIn.tsx'
import { signInBy } from './welcome.ts'

/** Where an invitation to a class leads: a colleague who is here takes it, one who is not makes an account. */
export function Invitation({ here }: { here: Person | null }) {
  const { token = '' } = useParams()
  const [told, setTold] = useState<InvitationTold>()
  const look = useAct(async () => setTold(await ask(CALLS.invitationOf, {}, { token })))
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each invitation
  useEffect(() => void look.run(), [token])
  if (look.problem)
    return (
      <DoorCard title="This invitation does not work any more">
        <p role="alert">{look.problem}</p>
        <LinkButton to="/" large>
          Go on
        </LinkButton>
      </DoorCard>
    )
  if (!told) return <Loading />
  return (
    <DoorCard title={`Teach ${told.className} with ${told.by}`}>
      {here?.role === 'teacher' ? (
        <Take token={token} here={here} className={told.className} />
      ) : (
        <NewHere token={token} here={here} />
      )}
    </DoorCard>
  )
}

function Take({ token, here, className }: { token: string; here: Person; className: string }) {
  const navigate = useNavigate()
  const take = useAct(async () => {
    const { class: id } = await ask(CALLS.takeInvitation, {}, { token })
    await Promise.all([refresh(CALLS.classes), refresh(CALLS.handouts)])
    await navigate(`/class/${id}`, { replace: true })
  })
  return (
    <>
      <p>You are {here.name}. Its copies will stand on your desk too.</p>
      {take.problem && (
        <p role="alert" className="text-madder">
          {take.problem}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <Button look="main" large disabled={take.busy} onClick={() => void take.run()}>
          Yes, teach {className} too
        </Button>
        <LinkButton to="/" large>
          No
        </LinkButton>
      </div>
    </>
  )
}

function NewHere({ token, here }: { token: string; here: Person | null }) {
  const navigate = useNavigate()
  const [known, setKnown] = useState(false)
  const form = useRequestForm(newColleague, { token, name: '', password: '' }, async (sent) => {
    await signInBy(CALLS.newColleague, sent)
    await navigate('/', { replace: true })
  })
  if (known) return <TeacherSignIn />
  return (
    <>
      <RequestForm form={form} send="Begin" large className="flex flex-col gap-4">
        {here && <p>{here.name} is signed in here now, and will be signed out.</p>}
        <AccountFields form={form} />
      </RequestForm>
      <Button look="quiet" onClick={() => setKnown(true)} className="self-start">
        I have an account here
      </Button>
    </>
  )
}
