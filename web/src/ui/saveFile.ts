/** Offers letters or bytes as a file to whoever sits at this device. `type`: its media type. */
export function saveFile(name: string, what: BlobPart, type: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([what], { type }))
  link.download = name
  link.click()
  // The browser has taken it up by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}
