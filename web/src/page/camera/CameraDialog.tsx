import { Camera, FolderOpen } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { openCamera } from '../../practice/devices.ts'
import { Button } from '../../ui/Button.tsx'
import { Dialog } from '../../ui/Dialog.tsx'
import { FileInput } from '../../ui/FileInput.tsx'

interface CameraDialogProps {
  onPicture: (picture: File) => void
  onClose: () => void
}

/** What this device's camera sees, live; a press keeps it as a picture. A file does in its place. */
export function CameraDialog({ onPicture, onClose }: CameraDialogProps) {
  const video = useRef<HTMLVideoElement>(null)
  const file = useRef<HTMLInputElement>(null)
  const { live, trouble } = useLivePicture(video)
  const take = async () => {
    const picture = await frameOf(video.current!)
    onPicture(picture)
    onClose()
  }
  return (
    <Dialog open onClose={onClose} title="Camera" wide>
      <div className="grid gap-4">
        <div className="grid min-h-[240px] place-items-center overflow-hidden rounded-md border border-rule bg-ink text-sheet">
          {trouble ? (
            <p role="alert" className="max-w-[420px] p-6 text-center">
              {trouble}
            </p>
          ) : (
            <video
              ref={video}
              autoPlay
              muted
              playsInline
              aria-label="What the camera sees"
              className="max-h-[56vh] w-full object-contain"
            />
          )}
        </div>
        <div className="flex flex-wrap justify-end gap-2">
          <Button large onClick={() => file.current?.click()}>
            <FolderOpen size={18} aria-hidden="true" /> Choose a file
          </Button>
          <Button look="main" large disabled={!live} onClick={() => void take()}>
            <Camera size={18} aria-hidden="true" /> {live || trouble ? 'Take it' : 'One moment …'}
          </Button>
        </div>
      </div>
      <FileInput
        ref={file}
        accept="image/*"
        aria-label="A picture in place of the camera’s"
        onFiles={([picture]) => {
          if (!picture) return
          onPicture(picture)
          onClose()
        }}
      />
    </Dialog>
  )
}

/** Opens the camera for as long as it is looked at; rather the one that looks away from who holds the device. */
function useLivePicture(video: React.RefObject<HTMLVideoElement | null>) {
  const [live, setLive] = useState(false)
  const [trouble, setTrouble] = useState<string>()
  useEffect(() => {
    let gone = false
    let stream: MediaStream | undefined
    const stop = () => {
      for (const track of stream?.getTracks() ?? []) track.stop()
    }
    const open = async () => {
      stream = await openCamera({
        facingMode: 'environment',
        width: { ideal: 2400 },
        height: { ideal: 1800 },
      })
      if (gone) return stop()
      video.current!.srcObject = stream
      await video.current!.play()
      if (!gone) setLive(true)
    }
    open().catch((error) => !gone && setTrouble(sentenceFor(error)))
    return () => {
      gone = true
      stop()
    }
  }, [video])
  return { live, trouble }
}

function sentenceFor(error: unknown): string {
  return (error as Error).name === 'NotAllowedError'
    ? 'The camera is not allowed here. Allow it beside the address, or choose a file.'
    : 'No camera was found that can be used just now. Choose a file in its place.'
}

async function frameOf(video: HTMLVideoElement): Promise<File> {
  const canvas = new OffscreenCanvas(video.videoWidth, video.videoHeight)
  canvas.getContext('2d')!.drawImage(video, 0, 0)
  return new File([await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.92 })], 'camera.jpg', {
    type: 'image/jpeg',
  })
}
