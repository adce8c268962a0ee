import { bottom, slidOf } from '@hand-back/core'
import { toScreen } from '../view/view.ts'
import type { ControlProps, PageKind } from './pageKind.ts'

export const plot: PageKind<'plot'> = { Control: Sliders }

/** The parameters that are left to the student, under the plot. */
function Sliders({ item, value: answered, view, acts }: ControlProps<'plot'>) {
  const slid = slidOf(answered)
  const open = item.parameters.filter((parameter) => parameter.open)
  if (open.length === 0) return null
  const at = toScreen(view, { x: item.x, y: bottom(item) })
  return (
    <div
      data-takes="all"
      className="pointer-events-auto absolute flex flex-wrap gap-3 rounded-tag border border-rule bg-card px-3 py-1"
      style={{ left: at.x, top: at.y }}
    >
      {open.map(({ name, value, from, to }) => {
        const now = slid[name] ?? value
        return (
          <label key={name} className="flex min-h-[44px] items-center gap-2">
            <b className="font-serif italic">{name}</b>
            <input
              type="range"
              min={from}
              max={to}
              step={(to - from) / 100}
              value={now}
              onChange={(event) =>
                acts.answer(item.id, { slid: { ...slid, [name]: Number(event.target.value) } })
              }
              className="w-32 accent-verdigris"
            />
            <span className="tabular w-12">{Number(now.toFixed(2))}</span>
          </label>
        )
      })}
    </div>
  )
}
