import { CALLS } from '@hand-back/core'
import { upload } from '../../api/ask.ts'

/** Sends a picture that is to lie on a page. Throws `Problem`. */
export function bringPicture(worksheet: string, file: File | Blob) {
  const named = file instanceof File ? file : new File([file], 'picture')
  return upload(CALLS.bringInPicture, { worksheet }, [named], () => {})
}
