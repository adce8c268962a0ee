import { importAgain } from '../ui/importAgain.ts'

// The screens of the door are fetched apart: who is signed in does not need them to begin.

export const fetchSignIn = async () => ({
  default: (await importAgain(() => import('./SignIn.tsx'))).SignIn,
})
export const fetchSlipSignIn = async () => ({
  default: (await importAgain(() => import('./SlipSignIn.tsx'))).SlipSignIn,
})

export const fetchInvitation = async () => ({
  default: (await importAgain(() => import('./Invitation.tsx'))).Invitation,
})

/** Fetches the door ahead: one signs out while school is out of reach, too. */
export async function warmDoor(): Promise<void> {
  await fetchSignIn().catch(() => {})
}
