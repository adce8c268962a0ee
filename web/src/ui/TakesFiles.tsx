import { type DragEvent, type ReactNode, useState } from 'react'

interface TakesFilesProps {
  onFiles: (files: File[]) => void
  /** What letting go does. */
  words: string
  children: ReactNode
  className?: string
}

/** A part of a screen on which files can be dropped. It is a second way: a button is the first. */
export function TakesFiles({ onFiles, words, children, className = '' }: TakesFilesProps) {
  const [over, setOver] = useState(false)
  const holdsFiles = (event: DragEvent) => event.dataTransfer.types.includes('Files')
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: dropping is a second way; the button is the first
    <div
      className={className}
      onDragOver={(event) => {
        if (!holdsFiles(event)) return
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={(event) => event.currentTarget === event.target && setOver(false)}
      onDrop={(event) => {
        event.preventDefault()
        setOver(false)
        const files = [...event.dataTransfer.files]
        if (files.length > 0) onFiles(files)
      }}
    >
      {children}
      {over && (
        <div className="pointer-events-none fixed inset-4 z-30 grid place-items-center rounded-md border-[3px] border-dashed border-verdigris bg-card/90">
          <p className="font-serif text-2xl font-semibold">{words}</p>
        </div>
      )}
    </div>
  )
}
