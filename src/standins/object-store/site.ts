import { createServer, type Server } from 'node:http'
import { LEADS_ON } from './store'

/** What visitors see of a bucket: its objects as pages of a site, as a content network in front of a store shows them. */
export function siteOfBucket(store: () => string, bucket: string): Server {
  return createServer((request, response) => {
    const { pathname } = new URL(request.url ?? '/', 'http://any')
    const asked = pathname.endsWith('/') ? `${pathname}index.html` : pathname
    const answer = async (): Promise<void> => {
      const found = asked.includes('/.') ? null : await fetch(`${store()}/${bucket}${asked}`)
      const leadsTo = found?.headers.get(LEADS_ON)
      if (leadsTo) return void response.writeHead(301, { location: leadsTo }).end()
      const shown = found?.ok ? found : await fetch(`${store()}/${bucket}/404.html`)
      const content = Buffer.from(await shown.arrayBuffer())
      const said = (name: string): Record<string, string> => {
        const value = shown.headers.get(name)
        return value === null ? {} : { [name]: value }
      }
      response.writeHead(found?.ok ? 200 : 404, { ...said('content-type'), ...said('cache-control') }).end(content)
    }
    answer().catch(() => response.writeHead(502).end())
  })
}
