import { type Printed, TONES } from '@hand-back/core'
import { useRef } from 'react'
import { FormulaField } from '../../../page/things/FormulaField.tsx'
import { Button } from '../../../ui/Button.tsx'
import { FileInput } from '../../../ui/FileInput.tsx'
import { sayProblem } from '../../../ui/notices.ts'
import { bringPicture } from '../bringPicture.ts'
import { usePreparing } from '../context.ts'
import { ChoiceRow, ColourRow, NumberRow, TextRow, TickRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

const TINTS = [
  ['#f7f5ef', 'paper'],
  ['#ffffff', 'white'],
  [TONES.slate[1], 'slate'],
  [TONES.verdigris[1], 'verdigris'],
  [TONES.ochre[1], 'ochre'],
  [TONES.madder[1], 'madder'],
] as const

export const card = {
  name: ({ stack }: Printed<'card'>) => (stack ? 'Stack' : 'Card'),
  group: 'Move',
  list: {
    card: { name: 'Card', put: { size: [32, 12] } },
    stack: {
      name: 'Stack that never runs out',
      put: { size: [20, 12], as: { face: { kind: 'text', text: '•', size: 30 }, stack: true } },
    },
  },
  Panel,
} satisfies TeacherKind<'card'>

function Panel({ item, set }: PanelProps<'card'>) {
  const { worksheet } = usePreparing()
  const input = useRef<HTMLInputElement>(null)
  const { face } = item
  const size = 'size' in face ? face.size : 14
  const showPicture = async (file: File | undefined) => {
    if (!file) return
    try {
      const picture = await bringPicture(worksheet.id, file)
      set({
        face: { kind: 'picture', file: picture.file, alt: '' },
        height: (item.width * picture.height) / picture.width,
      })
    } catch (error) {
      sayProblem(error)
    }
  }
  return (
    <>
      <ChoiceRow
        label="Shows"
        value={face.kind}
        options={[
          ['text', 'words'],
          ['formula', 'a formula'],
          ['picture', 'a picture'],
        ]}
        onChange={(kind) => {
          if (kind === 'picture') input.current?.click()
          else if (kind === 'text') set({ face: { kind, text: '', size } })
          else
            set({ face: { kind, latex: '', drawing: { path: '', width: 0, ascent: 0, descent: 0 }, size } })
        }}
      />
      {face.kind === 'text' && (
        <TextRow
          label="Words"
          lines={2}
          first
          value={face.text}
          longest={500}
          onChange={(text) => set({ face: { ...face, text } }, 'text')}
        />
      )}
      {face.kind === 'formula' && (
        <FormulaField
          latex={face.latex}
          onDrawn={(latex, drawing) => set({ face: { ...face, latex, drawing } }, 'latex')}
        />
      )}
      {face.kind === 'picture' && (
        <>
          <TextRow
            label="In words"
            value={face.alt}
            longest={500}
            onChange={(alt) => set({ face: { ...face, alt } }, 'alt')}
          />
          <Button onClick={() => input.current?.click()}>Another picture</Button>
        </>
      )}
      {'size' in face && (
        <NumberRow
          label="Letter size"
          value={face.size}
          least={4}
          most={300}
          onChange={(next) => set({ face: { ...face, size: next } }, 'size')}
        />
      )}
      <ColourRow label="Paper" value={item.tint} offer={TINTS} onChange={(tint) => set({ tint }, 'tint')} />
      <TickRow label="A stack that never runs out" on={item.stack} onChange={(stack) => set({ stack })} />
      <FileInput
        ref={input}
        accept="image/png,image/jpeg,image/webp"
        aria-label="A picture for the card"
        onFiles={([file]) => void showPicture(file)}
      />
    </>
  )
}
