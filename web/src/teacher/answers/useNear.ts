import { type RefObject, useEffect, useState } from 'react'

/** Whether something is in sight or nearly: what is far away takes no memory. */
export function useNear(of: RefObject<Element | null>): boolean {
  const [near, setNear] = useState(false)
  useEffect(() => {
    const watch = new IntersectionObserver(([entry]) => setNear(entry?.isIntersecting ?? false), {
      rootMargin: '400px',
    })
    if (of.current) watch.observe(of.current)
    return () => watch.disconnect()
  }, [of])
  return near
}
