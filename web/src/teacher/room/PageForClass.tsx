import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Tick } from '../../ui/Tick.tsx'
import type { Say } from './useLesson.ts'

interface PageForClassProps {
  pages: readonly { readonly id: string }[]
  say: Say
  onDone: () => void
}

/** Turns everybody to a page, and keeps them there if that is wanted. */
export function PageForClass({ pages, say, onDone }: PageForClassProps) {
  const [keeps, setKeeps] = useState(false)
  const show = async (page: string) => {
    if (await say({ say: 'look', page, keeps })) onDone()
  }
  return (
    <section aria-label="Everybody looks at" className="grid gap-1 rounded-tag bg-blotter p-2.5">
      <Tick ticked={keeps} onTick={setKeeps}>
        and stays there
      </Tick>
      <div className="flex flex-wrap gap-1.5">
        {pages.map(({ id }, index) => (
          <Button
            key={id}
            className="min-w-11"
            aria-label={`Page ${index + 1}`}
            onClick={() => void show(id)}
          >
            {index + 1}
          </Button>
        ))}
      </div>
    </section>
  )
}
