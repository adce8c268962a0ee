import { type ReactNode, useState } from 'react'
import { TextButton } from '../../ui/TextButton.tsx'
import type { AnswerActs } from './answerActs.ts'
import type { Bundle } from './bundles.ts'
import { sayCopies } from './HeapCard.tsx'
import { StripMark } from './StripMark.tsx'
import type { Strip } from './strips.ts'

interface BundleCardProps {
  bundle: Bundle
  acts: AnswerActs
  full: number
  step: number
  fullWords: string
  /** Makes a heap of them, to be named. */
  onHeap: (strips: readonly Strip[], name: string) => void
  children: (strip: Strip) => ReactNode
}

/** Strips that stand together and lie in no heap yet. Equal ones are marked at once; of what looks alike a heap can be made. */
export function BundleCard({ bundle, acts, full, step, fullWords, onHeap, children }: BundleCardProps) {
  const { kind, strips, words } = bundle
  const [all, setAll] = useState(false)
  if (kind === 'one') return <>{strips.map(children)}</>
  const given = sameMark(strips)
  // Of equal answers one says everything.
  const seen = kind === 'alike' || all ? strips : strips.slice(0, 1)
  return (
    <section aria-label={titleOf(bundle)} className="rounded-md border border-rule border-dashed p-2">
      <div className="mb-1 flex flex-wrap items-center gap-x-3 gap-y-1 px-1">
        <b className="min-w-0 truncate font-serif text-lg">{titleOf(bundle)}</b>
        <span className="whitespace-nowrap text-ink-soft">{sayCopies(strips.length)}</span>
        <span className="flex-1" />
        {kind !== 'alike' && (
          <span className="flex items-center gap-2">
            <StripMark
              name={`Marks of all that have ${titleOf(bundle)}`}
              given={given}
              suggested={given === undefined ? strips[0]!.look?.suggested : undefined}
              full={full}
              step={step}
              onGive={(marks) => acts.give(strips, marks)}
              onTake={() => acts.give(strips, null)}
              onNext={() => {}}
            />
            <span className="text-ink-soft">of {fullWords}, to all</span>
          </span>
        )}
        <TextButton onClick={() => onHeap(strips, kind === 'nothing' ? 'nothing written' : words)}>
          Make a heap
        </TextButton>
      </div>
      <div className="grid gap-1">{seen.map(children)}</div>
      {kind !== 'alike' && strips.length > 1 && (
        <TextButton onClick={() => setAll(!all)}>
          {all ? 'Show one' : `${strips.length - 1} more, ${kind === 'equal' ? 'the same' : 'empty too'}`}
        </TextButton>
      )}
    </section>
  )
}

const titleOf = ({ kind, words }: Bundle): string =>
  kind === 'nothing' ? 'Nothing written' : kind === 'alike' ? 'They look alike' : words

/** The marks that all of them have; nothing where they have others, or none. */
function sameMark(strips: readonly Strip[]): number | undefined {
  const first = strips[0]?.mark?.given
  return strips.every(({ mark }) => mark?.given === first) ? first : undefined
}
