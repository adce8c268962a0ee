import { useEffect } from 'react'
import { isTyping } from '../../page/takesKeys.ts'
import { sayProblem } from '../../ui/notices.ts'
import { bringPicture } from './bringPicture.ts'
import { pickedAsText, putText } from './clipboard.ts'
import { type PreparingContext, usePreparing } from './context.ts'
import { putPicture } from './putPicture.ts'
import { middleOfView } from './viewNow.ts'

/** Copying, cutting and pasting in preparation. */
export function usePreparingClipboard(): void {
  const context = usePreparing()
  useEffect(() => {
    const copy = (event: ClipboardEvent) => {
      if (isTyping(event.target)) return
      const text = pickedAsText(context.store)
      if (!text) return
      event.clipboardData?.setData('text/plain', text)
      event.preventDefault()
      if (event.type === 'cut') context.store.takeAway()
    }
    const paste = (event: ClipboardEvent) => {
      if (isTyping(event.target) || inDialog(event.target)) return
      event.preventDefault()
      void take(context, event.clipboardData)
    }
    addEventListener('copy', copy)
    addEventListener('cut', copy)
    addEventListener('paste', paste)
    return () => {
      removeEventListener('copy', copy)
      removeEventListener('cut', copy)
      removeEventListener('paste', paste)
    }
  }, [context])
}

const inDialog = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('[role=dialog]') !== null

/** A picture in the clipboard becomes a picture on the page. */
async function take({ store, worksheet }: PreparingContext, data: DataTransfer | null): Promise<void> {
  const pictures = [...(data?.files ?? [])].filter(({ type }) => type.startsWith('image/'))
  try {
    for (const picture of pictures)
      putPicture(store, await bringPicture(worksheet.id, picture), middleOfView())
  } catch (error) {
    sayProblem(error)
  }
  if (pictures.length === 0) putText(store, data?.getData('text/plain') ?? '', middleOfView())
}
