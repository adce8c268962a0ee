import { saveFile } from '../../ui/saveFile.ts'
import type { Kept } from './keepsake.ts'

/** Saves what waits on this device as one file: events as JSON, sounds and pictures in base64 beside them. */
export async function saveWaiting(waiting: readonly Kept[]): Promise<void> {
  const made = await Promise.all(
    waiting.map(async ({ copy, event, attachments = [] }) => ({
      copy,
      event,
      attachments: await Promise.all(
        attachments.map(async ({ name, bytes }) => ({ name, bytes: await asDataUrl(bytes) })),
      ),
    })),
  )
  const text = JSON.stringify(
    { format: 'hand-back-waiting', version: 3, savedAt: new Date().toISOString(), made },
    null,
    1,
  )
  saveFile(
    `Hand Back, not yet at school, ${new Date().toISOString().slice(0, 10)}.json`,
    text,
    'application/json',
  )
}

function asDataUrl(bytes: Blob): Promise<string> {
  return new Promise((done, failed) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result))
    reader.onerror = () => failed(reader.error)
    reader.readAsDataURL(bytes)
  })
}
