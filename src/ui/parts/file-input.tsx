'use client'
import type { RefObject } from 'react'

type Props = {
  readonly input: RefObject<HTMLInputElement | null>
  /** What a screen reader calls it. */
  readonly label: string
  readonly accept: string
  readonly multiple?: boolean
  readonly onFiles: (files: readonly File[]) => void
}

/** The browser's own way to choose files, opened by a button that is in sight. The same file can be chosen again. */
export function FileInput({ input, label, accept, multiple = false, onFiles }: Props) {
  return (
    <input
      ref={input}
      type="file"
      accept={accept}
      multiple={multiple}
      className="hidden"
      tabIndex={-1}
      aria-label={label}
      onChange={(event) => {
        const files = [...(event.target.files ?? [])]
        event.target.value = ''
        if (files.length > 0) onFiles(files)
      }}
    />
  )
}
