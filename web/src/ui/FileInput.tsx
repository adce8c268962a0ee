import type { ComponentProps } from 'react'

interface FileInputProps extends Omit<ComponentProps<'input'>, 'type' | 'onChange' | 'value' | 'className'> {
  /** Told what was chosen; the same file can be chosen again. */
  onFiles: (files: File[]) => void
}

/** Chooses files, opened by whoever holds its ref: it is not to be seen itself. */
export function FileInput({ onFiles, ...input }: FileInputProps) {
  return (
    <input
      {...input}
      type="file"
      className="hidden"
      onChange={({ target }) => {
        const files = [...(target.files ?? [])]
        target.value = ''
        if (files.length > 0) onFiles(files)
      }}
    />
  )
}
