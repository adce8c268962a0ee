import { type ComponentType, useEffect, useState } from 'react'
import { importAgain } from './importAgain.ts'
import { onWanted, showNotices } from './notices.ts'

/** What shows notices comes after the screen itself, in milliseconds, or when something is said. */
const AFTER = 2000
/** While school is out of reach it is asked for again after so long, in milliseconds. */
const AGAIN = 3000

/** The place of the notices, over every screen. */
export function NoticePlace() {
  const [There, setThere] = useState<ComponentType<{ onReady: typeof showNotices }>>()
  useEffect(() => {
    const fetch = () => {
      clearTimeout(timer)
      void importAgain(() => import('./Toasts.tsx')).then(
        ({ Toasts }) => setThere(() => Toasts),
        () => {
          timer = setTimeout(fetch, AGAIN)
        },
      )
    }
    let timer = setTimeout(fetch, AFTER)
    onWanted(fetch)
    return () => clearTimeout(timer)
  }, [])
  return There ? <There onReady={showNotices} /> : null
}
