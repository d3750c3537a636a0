/** Gives a file to whoever is at the screen, under a name, as browsers save it. */
export function saveFile(name: string, file: Blob): void {
  const url = URL.createObjectURL(file)
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}
