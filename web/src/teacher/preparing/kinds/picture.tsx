import { cutOff, cutsOf } from '@hand-back/core'
import { useRef } from 'react'
import { Button } from '../../../ui/Button.tsx'
import { FileInput } from '../../../ui/FileInput.tsx'
import { sayProblem } from '../../../ui/notices.ts'
import { bringPicture } from '../bringPicture.ts'
import { usePreparing } from '../context.ts'
import { Row, TextRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const picture = {
  name: () => 'Picture',
  group: 'Tell',
  list: {
    picture: { name: 'Picture' },
  },
  Panel,
} satisfies TeacherKind<'picture'>

function Panel({ item, set }: PanelProps<'picture'>) {
  const { worksheet } = usePreparing()
  const input = useRef<HTMLInputElement>(null)
  const replace = async (file: File | undefined) => {
    if (!file) return
    try {
      const { file: sha256, width, height } = await bringPicture(worksheet.id, file)
      const whole = { x: 0, y: 0, width: 1, height: 1 }
      set({ file: sha256, crop: whole, height: (item.width * height) / width })
    } catch (error) {
      sayProblem(error)
    }
  }
  const cuts = cutsOf(item)
  return (
    <>
      <TextRow
        label="In words, for those who cannot see it"
        lines={2}
        first
        value={item.alt}
        longest={500}
        onChange={(alt) => set({ alt }, 'alt')}
      />
      <fieldset className="flex flex-col gap-1">
        <legend className="mb-1">Crop</legend>
        {(['left', 'right', 'top', 'bottom'] as const).map((side) => (
          <Row key={side} label={side}>
            {(id) => (
              <input
                id={id}
                type="range"
                min={0}
                max={95}
                value={Math.round(cuts[side] * 100)}
                onChange={(event) => set(cutOff(item, side, Number(event.target.value) / 100), 'crop')}
                className="w-full accent-verdigris"
              />
            )}
          </Row>
        ))}
      </fieldset>
      <Button onClick={() => input.current?.click()}>Another picture</Button>
      <FileInput
        ref={input}
        accept="image/png,image/jpeg,image/webp"
        aria-label="Another picture: a file"
        onFiles={([file]) => void replace(file)}
      />
    </>
  )
}
