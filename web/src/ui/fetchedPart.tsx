import { type ComponentType, useEffect, useState } from 'react'
import { importAgain } from './importAgain.ts'
import { saySentence } from './notices.ts'

export interface Closes {
  onClose: () => void
}

/**
 * A part of a screen that is fetched when it is first opened, as those are that few people open. Where it
 * cannot be fetched, a sentence says so and it closes: the screen goes on. `warm` fetches it before.
 */
export function fetchedPart<Name extends string, Props extends Closes>(
  name: Name,
  importPart: () => Promise<Record<Name, ComponentType<Props>>>,
) {
  let there: ComponentType<Props> | undefined
  const fetched = async () => {
    there ??= (await importAgain(importPart))[name]
  }
  function Part(props: Props) {
    const [ready, setReady] = useState(there !== undefined)
    const { onClose } = props
    useEffect(() => {
      if (ready) return
      let gone = false
      fetched()
        .then(() => !gone && setReady(true))
        .catch(() => {
          if (gone) return
          saySentence(
            'School cannot be reached, and this part is not on the device yet. All you made is safe.',
          )
          onClose()
        })
      return () => {
        gone = true
      }
    }, [ready, onClose])
    const There = there
    return ready && There ? <There {...props} /> : null
  }
  return Object.assign(Part, { warm: () => void fetched().catch(() => {}) })
}

/** How long a screen has the network for itself, in milliseconds. */
const SOON = 1000

/** Fetches a part soon after a screen is open: it is wanted most where the network has gone by then. */
export function useWarm(warm: () => void): void {
  useEffect(() => {
    const timer = setTimeout(warm, SOON)
    return () => clearTimeout(timer)
  }, [warm])
}
