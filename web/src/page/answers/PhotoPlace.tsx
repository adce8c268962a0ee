import type { Printed } from '@hand-back/core'
import { Camera } from 'lucide-react'
import { useRef } from 'react'
import { Problem } from '../../api/ask.ts'
import { FileInput } from '../../ui/FileInput.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { toScreen, type View } from '../view/view.ts'
import { smallerPhoto } from './smallerPhoto.ts'

/** A place for a photo: the device offers its camera or a file. */
export function PhotoPlace({
  item,
  view,
  answered,
  onPhoto,
}: {
  item: Printed<'photo'>
  view: View
  answered: boolean
  onPhoto: (photo: { bytes: Blob; width: number; height: number }) => void
}) {
  const input = useRef<HTMLInputElement>(null)
  const at = toScreen(view, { x: item.x + item.width, y: item.y })
  const take = async (file: File | undefined) => {
    if (!file) return
    try {
      onPhoto(await smallerPhoto(file))
    } catch {
      sayProblem(
        new Problem('This is not a picture that can be shown. Take a photo, or choose another.', 422),
      )
    }
  }
  return (
    <>
      <button
        type="button"
        data-takes="all"
        aria-label={answered ? 'Another photo' : item.label || 'Put a photo here'}
        onClick={() => input.current?.click()}
        className="pointer-events-auto absolute grid min-h-[44px] min-w-[44px] -translate-x-full place-items-center rounded-tag border border-verdigris bg-card text-verdigris"
        style={{ left: at.x - 3, top: at.y + 3 }}
      >
        <Camera size={21} aria-hidden="true" />
      </button>
      <FileInput
        ref={input}
        accept="image/*"
        capture="environment"
        aria-label={`Photo: ${item.label || 'a file'}`}
        data-takes="all"
        onFiles={([file]) => void take(file)}
      />
    </>
  )
}
