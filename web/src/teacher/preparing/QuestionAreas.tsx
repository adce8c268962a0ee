import type { WorksheetPage } from '@hand-back/core'
import { useStore } from 'zustand'
import { toScreen, type View } from '../../page/view/view.ts'
import type { SheetStore } from './sheetStore.ts'

/** The least room in which a question's label stands left of its area, and that of a letter, in CSS pixels. */
const STRIP = 44
const LETTER = 9

/** The areas of questions as strips at their left, with label and full marks. */
export function QuestionAreas({ store, page, view }: { store: SheetStore; page: WorksheetPage; view: View }) {
  const questions = useStore(store.view, ({ sheet }) => sheet.questions)
  const picked = useStore(store.view, ({ area }) => area)
  return questions.flatMap(({ id, label, fullMarks, areas }) =>
    areas.map((area, index) => {
      if (area.page !== page.id) return null
      const at = toScreen(view, area)
      // Left of it, where nothing is printed; inside where the window leaves no room there.
      const outside = at.x > STRIP
      const worth = `${fullMarks} ${fullMarks === 1 ? 'mark' : 'marks'}`
      const whole = `${label} (${worth})`
      const words = outside && at.x < STRIP / 2 + whole.length * LETTER ? label : whole
      const here = picked?.question === id && picked.index === index
      return (
        <div
          key={`${id} ${index}`}
          className={`pointer-events-none absolute ${here ? 'outline-2 outline-ink' : ''}`}
          style={{ left: at.x, top: at.y, width: area.width * view.scale, height: area.height * view.scale }}
        >
          <button
            type="button"
            data-takes="all"
            aria-label={`Question ${label}, ${fullMarks} marks`}
            title={worth}
            onClick={() => store.pickArea(id, index)}
            className={`pointer-events-auto absolute top-0 bottom-0 flex min-w-[30px] items-start border-madder pt-1 font-serif font-semibold whitespace-nowrap text-madder ${outside ? 'right-full justify-end border-r-4 pr-1.5' : 'left-0 border-l-4'}`}
          >
            <span className={outside ? '' : 'rounded-r-tag bg-madder-soft px-1.5'}>{words}</span>
          </button>
        </div>
      )
    }),
  )
}
