import { CALLS } from '@hand-back/core'
import { useCallback, useEffect, useMemo } from 'react'
import { urlOf } from '../../api/ask.ts'

/** Where photos and pictures of a copy are to be had: from this device until they are at school. */
export function usePhotos(copy: string, bytesOf: (name: string) => Blob | undefined) {
  const urls = useMemo(() => new Map<string, string>(), [])
  useEffect(
    () => () => {
      for (const url of urls.values()) URL.revokeObjectURL(url)
    },
    [urls],
  )
  return useCallback(
    (name: string) => {
      let url = urls.get(name)
      if (url) return url
      const here = bytesOf(name)
      if (!here) return urlOf(CALLS.attachment, { copy, attachment: name })
      url = URL.createObjectURL(here)
      urls.set(name, url)
      return url
    },
    [copy, bytesOf, urls],
  )
}
