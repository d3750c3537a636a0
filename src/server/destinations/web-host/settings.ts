import { readFileSync } from 'node:fs'
import path from 'node:path'
import { dataFolder } from '../../files/data-folder'

/** Where the web host is: the ports visitors use, the one we talk to it on, and its own name, which domains of clients lead to. */
export type WebHostSettings = {
  readonly publicPort: number
  readonly securePort: number
  readonly controlUrl: string
  readonly token: string
  readonly name: string
}
export function webHostSettings(): WebHostSettings {
  const {
    WEB_HOST_PORT = '4380',
    WEB_HOST_SECURE_PORT = '4387',
    WEB_HOST_CONTROL_PORT = '4381',
    WEB_HOST_NAME = 'sites.instant-fit.test',
    WEB_HOST_TOKEN = readToken(),
  } = process.env
  return {
    publicPort: Number(WEB_HOST_PORT),
    securePort: Number(WEB_HOST_SECURE_PORT),
    controlUrl: `http://127.0.0.1:${WEB_HOST_CONTROL_PORT}`,
    token: WEB_HOST_TOKEN,
    name: WEB_HOST_NAME,
  }
}

/** The token that the web host made for itself at its first start; none where it was never started here. */
function readToken(): string {
  const { WEB_HOST_DATA = dataFolder('web-host') } = process.env
  try {
    return readFileSync(path.join(WEB_HOST_DATA, 'control-token'), 'utf8')
  } catch {
    return ''
  }
}

/** The public origin of a site under a label of the host's, or of one at a domain of its own, which is served by HTTPS. */
export function siteOrigin(address: string): string {
  const { publicPort, securePort } = webHostSettings()
  if (!isDomain(address)) return `http://${address}.localhost:${publicPort}`
  return `https://${address}${securePort === 443 ? '' : `:${securePort}`}`
}

/** Whether a site's address on the host is a domain of its own; a label has no dot. */
export function isDomain(address: string): boolean {
  return address.includes('.')
}
