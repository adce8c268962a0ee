import type { ReactNode } from 'react'
import { Emblem } from '../ui/Emblem.tsx'

/** A card that somebody meets at the door who came by a link. */
export function DoorCard({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="mx-auto flex max-w-[480px] flex-col gap-5 px-5 py-16">
      <Emblem size={36} />
      <section className="flex flex-col gap-5 rounded-md border border-rule bg-card p-6">
        <h1 className="text-3xl">{title}</h1>
        {children}
      </section>
    </main>
  )
}
