import { type RefObject, startTransition, useEffect, useState } from 'react'

/** What is so far out of sight is filled ahead, in CSS pixels. */
const AHEAD = 500

const told = new WeakMap<Element, (near: boolean) => void>()
/** One for each list: hundreds of them would be asked at every frame that scrolls. */
const watches = new WeakMap<Element, IntersectionObserver>()

/** The observer of the list that an element stands in: what is marked `data-scrolls`. */
function watchOf(element: Element): IntersectionObserver {
  const root = element.closest('[data-scrolls]') ?? document.documentElement
  let watch = watches.get(root)
  if (!watch) {
    watch = new IntersectionObserver(
      (entries) => {
        for (const { target, isIntersecting, boundingClientRect: at, rootBounds } of entries) {
          const tell = () => told.get(target)?.(isIntersecting)
          const inSight =
            rootBounds && at.top < rootBounds.bottom - AHEAD && at.bottom > rootBounds.top + AHEAD
          // What is not in sight yet is filled between frames, not in them.
          if (inSight) tell()
          else startTransition(tell)
        }
      },
      { root: root === document.documentElement ? document : root, rootMargin: `${AHEAD}px` },
    )
    watches.set(root, watch)
  }
  return watch
}

/** Whether something is in sight or nearly: what is far away takes no memory. */
export function useNear(of: RefObject<Element | null>): boolean {
  const [near, setNear] = useState(false)
  useEffect(() => {
    const element = of.current
    if (!element) return
    told.set(element, setNear)
    const watch = watchOf(element)
    watch.observe(element)
    return () => watch.unobserve(element)
  }, [of])
  return near
}
