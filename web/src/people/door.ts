// The screens of the door are fetched apart: who is signed in does not need them to begin.

export const fetchSignIn = () => import('./SignIn.tsx').then(({ SignIn }) => ({ default: SignIn }))
export const fetchSlipSignIn = () =>
  import('./SlipSignIn.tsx').then(({ SlipSignIn }) => ({ default: SlipSignIn }))

/** Fetches the door ahead: one signs out while school is out of reach, too. */
export async function warmDoor(): Promise<void> {
  await fetchSignIn().catch(() => {})
}
