import type { CopyWhole } from '@hand-back/core'
import type { View } from '../page/view/view.ts'

interface PartsMarkedProps {
  copy: Pick<CopyWhole, 'parts' | 'students'>
  /** Whose parts are one's own; left out: nobody's. */
  self?: string
  page: string
  view: View
}

/** The parts of a page that were given to some who share it, outlined with their names: one's own stands out. */
export function PartsMarked({ copy, self, page, view }: PartsMarkedProps) {
  const names = new Map(copy.students.map(({ id, name }) => [id, name]))
  return copy.parts
    .filter((part) => part.page === page)
    .map(({ box, students }, index) => {
      const own = self !== undefined && students.includes(self)
      const others = students.filter((id) => id !== self).map((id) => names.get(id) ?? 'somebody')
      return (
        <div
          key={index}
          className={`pointer-events-none absolute rounded-[3px] ${own ? 'border-2 border-verdigris' : 'border border-ink-soft border-dashed'}`}
          style={{
            left: view.x + box.x * view.scale,
            top: view.y + box.y * view.scale,
            width: box.width * view.scale,
            height: box.height * view.scale,
          }}
        >
          <span
            className={`absolute bottom-full left-0 max-w-full truncate rounded-t-tag px-2 text-sm ${own ? 'bg-verdigris font-semibold text-sheet' : 'bg-blotter text-ink-soft'}`}
          >
            {[...(own ? ['Yours'] : []), ...others].join(' and ')}
          </span>
        </div>
      )
    })
}
