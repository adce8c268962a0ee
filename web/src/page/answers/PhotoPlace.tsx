import type { Printed } from '@hand-back/core'
import { Camera } from 'lucide-react'
import { Problem } from '../../api/ask.ts'
import { sayProblem } from '../../ui/notices.ts'
import { TakePicture } from '../camera/TakePicture.tsx'
import type { View } from '../view/view.ts'
import { PlaceButton } from './PlaceButton.tsx'
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
  const take = async (file: File) => {
    try {
      onPhoto(await smallerPhoto(file))
    } catch {
      sayProblem(
        new Problem('This is not a picture that can be shown. Take a photo, or choose another.', 422),
      )
    }
  }
  return (
    <TakePicture label={`Photo: ${item.label || 'a file'}`} onPicture={(picture) => void take(picture)}>
      {(open) => (
        <PlaceButton
          item={item}
          view={view}
          aria-label={answered ? 'Another photo' : item.label || 'Put a photo here'}
          onClick={open}
        >
          <Camera size={21} aria-hidden="true" />
        </PlaceButton>
      )}
    </TakePicture>
  )
}
