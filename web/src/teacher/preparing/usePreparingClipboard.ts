import { useMemo } from 'react'
import { useCopyPaste } from '../../page/clipboard/useCopyPaste.ts'
import { sayProblem } from '../../ui/notices.ts'
import { bringPicture } from './bringPicture.ts'
import { pickedAsText, putText } from './clipboard.ts'
import { type PreparingParts, usePreparing } from './context.ts'
import { putPicture } from './putPicture.ts'
import { middleOfView } from './viewNow.ts'

/** Copying, cutting and pasting in preparation. */
export function usePreparingClipboard(): void {
  const context = usePreparing()
  const clipboard = useMemo(
    () => ({
      copied: () => pickedAsText(context.store),
      cut: () => context.store.takeAway(),
      paste: (data: DataTransfer) => void take(context, data),
    }),
    [context],
  )
  useCopyPaste(clipboard)
}

/** A picture in the clipboard becomes a picture on the page. */
async function take({ store, worksheet }: PreparingParts, data: DataTransfer): Promise<void> {
  const pictures = [...data.files].filter(({ type }) => type.startsWith('image/'))
  try {
    for (const picture of pictures)
      putPicture(store, await bringPicture(worksheet.id, picture), middleOfView())
  } catch (error) {
    sayProblem(error)
  }
  if (pictures.length === 0) putText(store, data.getData('text/plain'), middleOfView())
}
