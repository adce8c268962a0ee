import { type ComponentType, lazy, Suspense, useState } from 'react'
import { importAgain } from './importAgain.ts'
import { Loading } from './Notice.tsx'

/**
 * A screen that is fetched when it is first opened, as those are that not everybody opens. `warm` fetches it before: then
 * it is there at once, where React would hold back what comes after a sign of waiting for a third of a second.
 */
export function fetchedScreen<Name extends string, Props extends object>(
  name: Name,
  importScreen: () => Promise<Record<Name, ComponentType<Props>>>,
) {
  let there: ComponentType<Props> | undefined
  const fetched = async () => {
    there ??= (await importAgain(importScreen))[name]
    return { default: there }
  }
  const Fetched = lazy(fetched) as unknown as ComponentType<Props>
  function Screen(props: Props) {
    const [Shown] = useState(() => there ?? Fetched)
    return (
      <Suspense fallback={<Loading />}>
        <Shown {...props} />
      </Suspense>
    )
  }
  return Object.assign(Screen, { warm: () => void fetched().catch(() => {}) })
}
