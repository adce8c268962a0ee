import sharp from 'sharp'

/**
 * A picture upright as its EXIF turn says, without anything that a camera or program noted in it (where
 * and when it was taken, by whom, a small picture of what was cut off). PNG stays PNG, as does whatever
 * is see-through; all else becomes JPEG. `undefined` for what cannot be read to its end, or has more pixels than `most`.
 */
export async function barePicture(bytes: Buffer, most: number): Promise<Buffer | undefined> {
  try {
    const options = { limitInputPixels: most, failOn: 'error' } as const
    const { format, hasAlpha } = await sharp(bytes, options).metadata()
    const upright = sharp(bytes, options).rotate()
    // Not asked to keep any: sharp leaves all metadata out.
    return await (format === 'png' || hasAlpha ? upright.png() : upright.jpeg({ quality: 92 })).toBuffer()
  } catch {
    return undefined
  }
}

export interface BareTask {
  readonly bytes: Uint8Array
  readonly most: number
}

/** The same as a piece of work in line. */
export const barePictureOf = ({ bytes, most }: BareTask): Promise<Uint8Array | undefined> =>
  barePicture(Buffer.from(bytes), most)
