import sharp from 'sharp'

export interface PictureTask {
  readonly type: string
  readonly bytes: Uint8Array
  /** A picture with a longer side, in pixels, is made smaller. */
  readonly longest: number | undefined
}

/** Its size in pixels as it is seen; `smaller` where it was made so. */
export type PictureRead = { width: number; height: number; smaller?: Uint8Array } | { refused: string }

const PICTURES = new Set(['image/png', 'image/jpeg', 'image/webp'])
export const isPictureType = (type: string): boolean => PICTURES.has(type)

/** What people bring that cannot be shown, and the way out. */
const OTHERS: Record<string, string> = {
  'image/heic':
    'This is a HEIC photo, which browsers cannot show. Send or save it as JPEG and bring that in.',
  'image/heif':
    'This is a HEIF photo, which browsers cannot show. Send or save it as JPEG and bring that in.',
  'image/avif': 'This is an AVIF picture. Save it as JPEG or PNG and bring that in.',
  'image/tiff': 'This is a TIFF picture. Save it as JPEG or PNG and bring that in.',
  'image/gif': 'This is a GIF picture. Save it as PNG and bring that in.',
  'application/zip': 'This is an archive (zip). Unpack it and bring in the PDFs and pictures.',
}

/** A picture of more pixels than this cannot be shown by a tablet. */
const MOST_PIXELS = 100_000_000

/** Looks at a picture to its end. */
export async function readPicture({ type, bytes, longest }: PictureTask): Promise<PictureRead> {
  if (!isPictureType(type)) {
    const word = /vnd.openxml|msword|x-cfb|opendocument/.test(type)
    if (word)
      return {
        refused: 'This is a document of an office program. Save or export it as PDF and bring that in.',
      }
    return {
      refused:
        OTHERS[type] ?? 'Only PDFs and pictures (PNG, JPEG, WebP) can be brought in. This is something else.',
    }
  }
  const options = { limitInputPixels: false } as const
  const {
    width,
    height,
    orientation = 1,
  } = await sharp(bytes, options)
    .metadata()
    .catch(() => ({ width: 0, height: 0, orientation: 1 }))
  if (width * height > MOST_PIXELS) {
    const side = Math.floor(Math.sqrt((MOST_PIXELS * width) / height) / 100) * 100
    return {
      refused: `This picture has ${width} × ${height} pixels. Make it smaller first: at most ${side} pixels wide.`,
    }
  }
  // The header alone can lie: only a picture that decodes to its end is whole.
  const whole =
    width > 0 &&
    (await sharp(bytes, { limitInputPixels: MOST_PIXELS })
      .stats()
      .then(
        () => true,
        () => false,
      ))
  if (!whole) return { refused: 'This picture is damaged, and cannot be shown.' }
  // EXIF orientations 5 to 8 lie on their side.
  const size = orientation >= 5 ? { width: height, height: width } : { width, height }
  const factor = longest === undefined ? 1 : longest / Math.max(width, height)
  if (factor >= 1) return size
  const less = {
    width: Math.max(1, Math.round(size.width * factor)),
    height: Math.max(1, Math.round(size.height * factor)),
  }
  const smaller = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).rotate().resize(less).toBuffer()
  return { ...less, smaller }
}
