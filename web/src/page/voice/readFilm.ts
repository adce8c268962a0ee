import { makeSeekable, once } from './playing.ts'

/** What can be told of a film by looking at it. */
export interface FilmRead {
  /** How long it is, in seconds. */
  readonly seconds: number
  /** In pixels. */
  readonly width: number
  readonly height: number
  /** A picture of it (JPEG). */
  readonly still: Blob
}

/** The longest side of a still, in pixels: as wide as a page is on a small tablet. */
const STILL = 800
/** A film that has shown nothing by then cannot be played here, in milliseconds. */
const WITHIN = 15_000

/**
 * Looks at a film: how long and large it is, and how it looks a little after its beginning, where a first
 * picture is often black. Nothing when this browser cannot play it, or when there are no pictures in it.
 */
export async function readFilm(bytes: Blob): Promise<FilmRead | undefined> {
  const url = URL.createObjectURL(bytes)
  const video = Object.assign(document.createElement('video'), { muted: true, preload: 'auto', src: url })
  try {
    await ready(video)
    await makeSeekable(video)
    const { duration, videoWidth: width, videoHeight: height } = video
    if (width === 0 || height === 0 || !Number.isFinite(duration)) return undefined
    await once(video, 'seeked', () => {
      video.currentTime = Math.min(1, duration / 3)
    })
    return { seconds: duration, width, height, still: await stillOf(video) }
  } catch {
    return undefined
  } finally {
    video.removeAttribute('src')
    video.load()
    URL.revokeObjectURL(url)
  }
}

function ready(video: HTMLVideoElement): Promise<void> {
  return new Promise((done, failed) => {
    setTimeout(() => failed(new Error('the film does not begin')), WITHIN)
    video.onloadeddata = () => done()
    video.onerror = () => failed(new Error('the film cannot be played'))
  })
}

function stillOf(video: HTMLVideoElement): Promise<Blob> {
  const { videoWidth: width, videoHeight: height } = video
  const factor = Math.min(1, STILL / Math.max(width, height))
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(width * factor)),
    Math.max(1, Math.round(height * factor)),
  )
  canvas.getContext('2d')!.drawImage(video, 0, 0, canvas.width, canvas.height)
  return canvas.convertToBlob({ type: 'image/jpeg', quality: 0.8 })
}
