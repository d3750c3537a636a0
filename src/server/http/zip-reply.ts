/** A zip that browsers save under a name. */
export function zipReply(name: string, zip: BodyInit): Response {
  const headers = {
    'content-type': 'application/zip',
    'content-disposition': `attachment; filename="${encodeURIComponent(name)}"`,
    'cache-control': 'no-store',
  }
  return new Response(zip, { headers })
}
