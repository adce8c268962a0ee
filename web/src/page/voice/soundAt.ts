import { fetchFile } from '../../api/ask.ts'

/** The sound of a recording as it was kept, from school or from this device. Rejects with a `Problem` when it cannot be had. */
export const soundAt = (source: string): Promise<Blob> =>
  fetchFile(source, 'The recording cannot be fetched just now. Nothing of it is lost.')
