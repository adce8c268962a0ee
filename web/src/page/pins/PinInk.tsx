import { comingTalk, type PinInk as Ink, type Pinned, Replay } from '@hand-back/core'
import { useMemo, useState } from 'react'
import { useFrames } from '../talk/useFrames.ts'
import type { View } from '../view/view.ts'
import { InkOver, Strokes } from './InkOver.tsx'
import type { HeardPin } from './usePins.ts'

interface PinInkProps {
  pinned: Pinned
  /** What of it is heard just now. */
  heard: HeardPin | undefined
  view: View
}

/** What was drawn on the page while something was said at a place of it: all of it; of what is heard, as it came. */
export function PinInk({ pinned, heard, view }: PinInkProps) {
  const said = [pinned, ...pinned.answers].map(({ item }) => item)
  return (
    <InkOver view={view}>
      {said.flatMap(({ id, drawn, voice }) => {
        if (!drawn) return []
        if (heard?.id === id && voice)
          return [<Comes key={id} drawn={drawn} seconds={voice.seconds} now={heard.now} />]
        return [<Strokes key={id} strokes={drawn.map(({ stroke }) => stroke)} />]
      })}
    </InkOver>
  )
}

const PAGE = 'here'

function Comes({ drawn, seconds, now }: { drawn: readonly Ink[]; seconds: number; now: () => number }) {
  const replay = useMemo(() => {
    const coming = drawn.map(({ second, stroke }) => ({ second, page: PAGE, item: stroke }))
    return new Replay(comingTalk(seconds, [], coming))
  }, [drawn, seconds])
  const [shown, show] = useState(() => replay.at(now()))
  useFrames(true, () => show(replay.at(now())))
  const strokes = drawn.flatMap(({ stroke }) =>
    shown.pages.get(PAGE)?.placed.has(stroke.id) ? [stroke] : [],
  )
  return <Strokes strokes={shown.written ? [...strokes, shown.written.stroke] : strokes} />
}
