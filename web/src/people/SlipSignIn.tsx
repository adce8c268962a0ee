import { useEffect } from 'react'
import { useNavigate, useParams } from 'react-router'
import { LinkButton } from '../ui/Button.tsx'
import { Loading } from '../ui/Notice.tsx'
import { useAct } from '../ui/useAct.ts'
import { signInBy } from './welcome.ts'

/** Where the code on a slip leads: it signs in at once, whoever was signed in here before. */
export function SlipSignIn() {
  const { token = '' } = useParams()
  const navigate = useNavigate()
  const { run, problem } = useAct(async () => {
    await signInBy('/sign-in/slip', { token })
    await navigate('/', { replace: true })
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each slip
  useEffect(() => void run(), [token])
  if (!problem) return <Loading />
  return (
    <main className="mx-auto flex max-w-[460px] flex-col items-start gap-5 px-5 py-16">
      <h1 className="text-3xl">This slip does not open</h1>
      <p role="alert">{problem}</p>
      <LinkButton to="/" look="main" large>
        Come in with the class code
      </LinkButton>
    </main>
  )
}
