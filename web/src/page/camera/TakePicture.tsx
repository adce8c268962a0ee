import { type ReactNode, useRef, useState } from 'react'
import { FileInput } from '../../ui/FileInput.tsx'
import { CameraDialog } from './cameraPart.ts'

interface TakePictureProps {
  /** What the chooser of files is called. */
  label: string
  onPicture: (picture: File) => void
  /** What opens the camera. */
  children: (open: () => void) => ReactNode
}

/**
 * A picture from the camera. A tablet or phone has a camera program of its own, which the browser opens;
 * where there is a mouse instead, the camera's picture is shown here.
 */
export function TakePicture({ label, onPicture, children }: TakePictureProps) {
  const input = useRef<HTMLInputElement>(null)
  const [open, setOpen] = useState(false)
  const begin = () => {
    const isLaptop = matchMedia('(pointer: fine)').matches && navigator.mediaDevices !== undefined
    if (isLaptop) setOpen(true)
    else input.current?.click()
  }
  return (
    <>
      {children(begin)}
      <FileInput
        ref={input}
        accept="image/*"
        capture="environment"
        aria-label={label}
        data-takes="all"
        onFiles={([picture]) => picture && onPicture(picture)}
      />
      {open && <CameraDialog onPicture={onPicture} onClose={() => setOpen(false)} />}
    </>
  )
}
