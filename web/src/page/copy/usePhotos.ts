import { CALLS } from '@hand-back/core'
import { useCallback, useEffect, useMemo } from 'react'
import { urlOf } from '../../api/ask.ts'

/** Where photos and pictures of a copy are to be had: from this device until they are at school. */
export function usePhotos(copy: string, bytesOf: (recording: string) => Blob | undefined) {
  const urls = useMemo(() => new Map<string, string>(), [])
  useEffect(
    () => () => {
      for (const url of urls.values()) URL.revokeObjectURL(url)
    },
    [urls],
  )
  return useCallback(
    (recording: string) => {
      let url = urls.get(recording)
      if (url) return url
      const here = bytesOf(recording)
      if (!here) return urlOf(CALLS.attachment, { copy, attachment: recording })
      url = URL.createObjectURL(here)
      urls.set(recording, url)
      return url
    },
    [copy, bytesOf, urls],
  )
}
