import { readFileSync } from 'node:fs'
import path from 'node:path'
import { dataFolder } from '../../files/data-folder'

/** Where the web host is: the port visitors use, and the one we talk to it on. */
export function webHostSettings(): { readonly publicPort: number; readonly controlUrl: string; readonly token: string } {
  const { WEB_HOST_PORT = '4380', WEB_HOST_CONTROL_PORT = '4381', WEB_HOST_TOKEN = readToken() } = process.env
  return { publicPort: Number(WEB_HOST_PORT), controlUrl: `http://127.0.0.1:${WEB_HOST_CONTROL_PORT}`, token: WEB_HOST_TOKEN }
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

/** The public origin of a site under a host-name label. */
export function siteOrigin(label: string): string {
  return `http://${label}.localhost:${webHostSettings().publicPort}`
}
