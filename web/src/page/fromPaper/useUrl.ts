import { useEffect, useMemo } from 'react'

/** An address of bytes that are only here, as long as they are shown. */
export function useUrl(bytes: Blob): string {
  const url = useMemo(() => URL.createObjectURL(bytes), [bytes])
  useEffect(() => () => URL.revokeObjectURL(url), [url])
  return url
}
