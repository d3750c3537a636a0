import { useState, type DragEvent } from 'react'

/** Lets files be dropped on an element; `over` while some are held above it. */
export function useFileDrop(onFiles: (files: readonly File[]) => void): {
  readonly over: boolean
  readonly target: {
    readonly onDragOver: (event: DragEvent) => void
    readonly onDragLeave: () => void
    readonly onDrop: (event: DragEvent) => void
  }
} {
  const [over, setOver] = useState(false)
  return {
    over,
    target: {
      onDragOver: (event) => {
        event.preventDefault()
        setOver(true)
      },
      onDragLeave: () => setOver(false),
      onDrop: (event) => {
        event.preventDefault()
        setOver(false)
        const files = [...event.dataTransfer.files]
        if (files.length > 0) onFiles(files)
      },
    },
  }
}
