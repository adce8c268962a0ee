import { useEffect, useRef } from 'react'
import { Button } from '../../ui/Button.tsx'
import { saveFile } from '../../ui/saveFile.ts'
import { useAct } from '../../ui/useAct.ts'
import { asWav } from './hear.ts'
import { soundAt } from './soundAt.ts'

interface SaveSoundProps {
  /** Where the recording is to be had. */
  source: string
  onClose: () => void
}

/** The end of a file's name by what kind of sound is in it. */
const ENDS: Readonly<Record<string, string>> = {
  'audio/webm': 'webm',
  'video/webm': 'webm',
  'audio/mp4': 'm4a',
  'audio/ogg': 'ogg',
  'audio/mpeg': 'mp3',
  'audio/wav': 'wav',
}

/** Takes a recording away as a file: as it was recorded, or as WAV, which everything reads. */
export function SaveSound({ source, onClose }: SaveSoundProps) {
  const first = useRef<HTMLFieldSetElement>(null)
  useEffect(() => first.current?.querySelector('button')?.focus(), [])
  const save = useAct(async (wav: boolean) => {
    const bytes = await soundAt(source)
    if (wav) saveFile('recording.wav', await asWav(bytes), 'audio/wav')
    else saveFile(`recording.${ENDS[bytes.type.split(';')[0]!] ?? 'webm'}`, bytes, bytes.type)
    onClose()
  })
  return (
    <fieldset
      ref={first}
      aria-label="Save the recording"
      className="pointer-events-auto mt-1 flex w-max flex-wrap items-center gap-2 rounded-tag border border-rule bg-card p-2"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <Button disabled={save.busy} onClick={() => void save.run(false)}>
        As it was recorded
      </Button>
      <Button disabled={save.busy} onClick={() => void save.run(true)}>
        As WAV
      </Button>
      {save.problem && (
        <p role="alert" className="w-full text-sm">
          {save.problem}
        </p>
      )}
    </fieldset>
  )
}
