import { countCaptions, type Film } from '@hand-back/core'
import { useRef } from 'react'
import { sayLength } from '../../../page/voice/sayLength.ts'
import { Button } from '../../../ui/Button.tsx'
import { FileInput } from '../../../ui/FileInput.tsx'
import { saySentence } from '../../../ui/notices.ts'
import { TextRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const film = {
  name: () => 'Film',
  group: 'Tell',
  list: {
    film: { name: 'Film' },
  },
  Panel,
} satisfies TeacherKind<'film'>

function Panel({ item, set }: PanelProps<'film'>) {
  return (
    <>
      <TextRow
        label="What it is about"
        lines={2}
        first
        value={item.alt}
        longest={500}
        onChange={(alt) => set({ alt }, 'alt')}
      />
      <p className="text-ink-soft">{sayLength(item.seconds)} long. It needs school to be reached.</p>
      <Captions captions={item.captions} onChange={(captions) => set({ captions })} />
    </>
  )
}

function Captions({
  captions,
  onChange,
}: {
  captions: Film['captions']
  onChange: (captions: string) => void
}) {
  const input = useRef<HTMLInputElement>(null)
  const count = countCaptions(captions ?? '')
  const take = async (file: File) => {
    const text = await file.text()
    if (countCaptions(text) > 0) onChange(text)
    else saySentence('These are no captions. A WebVTT file (.vtt) has them.')
  }
  return (
    <>
      <Button onClick={() => input.current?.click()}>{count > 0 ? 'Other captions' : 'Captions'}</Button>
      {count > 0 && (
        <p className="flex items-center justify-between gap-2">
          {count === 1 ? '1 caption' : `${count} captions`}
          <Button look="quiet" onClick={() => onChange('')}>
            Take away
          </Button>
        </p>
      )}
      <FileInput
        ref={input}
        accept=".vtt,text/vtt"
        aria-label="Captions: a WebVTT file"
        onFiles={([file]) => file && void take(file)}
      />
    </>
  )
}
