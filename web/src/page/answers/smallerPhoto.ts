/** The longest side of a photo that is kept, where nothing else is said, in pixels: more than a page needs. */
const LONGEST_SIDE = 2400

/**
 * A photo as it is kept: upright, at most `longest` pixels long, a JPEG without what cameras write into
 * theirs (where it was taken, by what). Rejects for what is not a picture.
 */
export async function smallerPhoto(
  file: Blob | ImageBitmap,
  longest = LONGEST_SIDE,
): Promise<{ bytes: Blob; width: number; height: number }> {
  const bitmap = await createImageBitmap(file)
  const factor = Math.min(1, longest / Math.max(bitmap.width, bitmap.height))
  const width = Math.max(1, Math.round(bitmap.width * factor))
  const height = Math.max(1, Math.round(bitmap.height * factor))
  const canvas = new OffscreenCanvas(width, height)
  const context = canvas.getContext('2d', { alpha: false })!
  context.fillStyle = '#ffffff'
  context.fillRect(0, 0, width, height)
  context.imageSmoothingQuality = 'high'
  context.drawImage(bitmap, 0, 0, width, height)
  bitmap.close()
  return { bytes: await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.88 }), width, height }
}
