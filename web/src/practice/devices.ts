import { isPractising } from './practising.ts'

/** The microphone: this device's, or the one for practice. Rejects as browsers do (`NotAllowedError`, `NotFoundError`). */
export async function openMicrophone(wanted: MediaTrackConstraints): Promise<MediaStream> {
  if (isPractising()) return (await import('./practiceVoice.ts')).practiceVoice()
  return navigator.mediaDevices.getUserMedia({ audio: wanted })
}

/** The camera, likewise. */
export async function openCamera(wanted: MediaTrackConstraints): Promise<MediaStream> {
  if (isPractising()) return (await import('./practicePicture.ts')).practicePicture()
  return navigator.mediaDevices.getUserMedia({ video: wanted })
}
