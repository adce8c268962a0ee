import { EncryptedPDFError, PDFDocument } from '@cantoo/pdf-lib'

export interface UnlockTask {
  readonly bytes: Uint8Array
  readonly password: string
}

/** The same PDF without its lock; nothing when the password is not the one. */
export async function unlockPdf({ bytes, password }: UnlockTask): Promise<Uint8Array | undefined> {
  try {
    const document = await PDFDocument.load(bytes, { password, updateMetadata: false })
    return await document.save()
  } catch (error) {
    if (error instanceof EncryptedPDFError || /password/i.test(String(error))) return undefined
    throw error
  }
}
