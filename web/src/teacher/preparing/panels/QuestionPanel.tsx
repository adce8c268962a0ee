import { useStore } from 'zustand'
import { Button } from '../../../ui/Button.tsx'
import { usePreparing } from '../context.ts'
import { pageAt } from '../sheetStore.ts'
import { NumberRow, PairRow, PanelTitle, TextRow } from './rows.tsx'

/** A question: its label, its full marks, and the areas that belong to it. */
export function QuestionPanel({ area }: { area: { question: string; index: number } }) {
  const { store } = usePreparing()
  const sheet = useStore(store.view, (preparing) => preparing.sheet)
  const page = useStore(store.view, pageAt)
  const question = sheet.questions.find(({ id }) => id === area.question)
  const lying = question?.areas[area.index]
  if (!question || !lying) return null
  const { id, label, fullMarks, areas } = question
  const total = sheet.questions.reduce((sum, each) => sum + each.fullMarks, 0)
  const setArea = (set: Partial<typeof lying>) =>
    store.changeQuestion(
      id,
      (before) => ({ ...before, areas: before.areas.with(area.index, { ...lying, ...set }) }),
      `${id} area`,
    )
  const another = () => {
    store.changeQuestion(id, (before) => ({
      ...before,
      areas: [...before.areas, { page: page.id, x: 0, y: page.height / 2, width: page.width, height: 140 }],
    }))
    store.pickArea(id, areas.length)
  }
  return (
    <div className="flex flex-col gap-3">
      <PanelTitle>Question {label}</PanelTitle>
      <TextRow
        label="Label"
        first
        value={label}
        longest={40}
        onChange={(next) => store.changeQuestion(id, (before) => ({ ...before, label: next }), `${id} label`)}
      />
      <NumberRow
        label="Full marks"
        value={fullMarks}
        least={0}
        most={1000}
        onChange={(next) =>
          store.changeQuestion(id, (before) => ({ ...before, fullMarks: next }), `${id} marks`)
        }
      />
      <p className="text-ink-soft">
        {areas.length === 1 ? 'One area.' : `Area ${area.index + 1} of ${areas.length}.`} The worksheet has{' '}
        {total} full marks in all.
      </p>
      <PairRow
        label="Place"
        names={['mm from the left', 'mm from the top']}
        values={[lying.x, lying.y]}
        onChange={(index, value) => setArea(index === 0 ? { x: value } : { y: value })}
      />
      <PairRow
        label="Size"
        names={['mm wide', 'mm high']}
        values={[lying.width, lying.height]}
        onChange={(index, value) => value > 0 && setArea(index === 0 ? { width: value } : { height: value })}
      />
      <Button onClick={another}>Another area on this page</Button>
      <Button onClick={() => store.takeAway()}>Take this area away</Button>
    </div>
  )
}
