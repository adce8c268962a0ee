import type { ReactNode } from 'react'

/** Things one under another in so many columns, in their order from column to column. */
export function InColumns({ count, children }: { count: number; children: readonly ReactNode[] }) {
  return (
    <div className="flex items-start gap-3">
      {Array.from({ length: count }, (_, column) => (
        <div key={column} className="grid min-w-0 flex-1 gap-3">
          {children.filter((_child, at) => at % count === column)}
        </div>
      ))}
    </div>
  )
}
