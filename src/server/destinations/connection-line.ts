/** How a server is reached, in a line and without what is secret. */
export function connectionLine(kind: string, settings: string): string {
  const { user, host, port, folder, bucket } = JSON.parse(settings) as Record<string, string | number>
  switch (kind) {
    case 'folder':
      return String(folder)
    case 'zip':
      return `${folder}.zip`
    case 'object-store':
      return `${host}:${port} ${bucket}${folder === '' ? '' : `/${folder}`}`
    default:
      return `${user}@${host}:${port} ${folder}`
  }
}
