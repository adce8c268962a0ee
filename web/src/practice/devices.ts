import { isPractising } from './practising.ts'

/** The microphone: this device's, or the one for practice. Rejects as browsers do (`NotAllowedError`, `NotFoundError`). */
export async function openMicrophone(wanted: MediaTrackConstraints): Promise<MediaStream> {
  if (isPractising()) return (await import('./practiceVoice.ts')).practiceVoice()
  return navigator.mediaDevices.getUserMedia({ audio: wanted })
}

/** Camera and microphone together, likewise. */
export async function openFilmCamera(
  picture: MediaTrackConstraints,
  sound: MediaTrackConstraints,
): Promise<MediaStream> {
  if (!isPractising()) return navigator.mediaDevices.getUserMedia({ video: picture, audio: sound })
  const [seen, heard] = await Promise.all([
    (await import('./practicePicture.ts')).practicePicture(),
    openMicrophone(sound),
  ])
  return new MediaStream([...seen.getTracks(), ...heard.getTracks()])
}

/** The camera, likewise. */
export async function openCamera(wanted: MediaTrackConstraints): Promise<MediaStream> {
  if (isPractising()) return (await import('./practicePicture.ts')).practicePicture()
  return navigator.mediaDevices.getUserMedia({ video: wanted })
}
