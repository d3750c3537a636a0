import { mkdtempSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { Readable } from 'node:stream'
import { chromium, type Browser } from '@playwright/test'
import { makeDocument } from '../src/core/fill'
import { getTemplate } from '../src/core/pack'
import { pagePath } from '../src/core/pages'
import { pagesOf } from '../src/core/site'
import { selfSigned } from '../src/standins/client-server/certificate'
import { hostIn } from '../src/standins/web-host/host'
import { securePublicServer } from '../src/standins/web-host/public-server'
import { CHROMIUM } from './chromium'
import { freePort } from './free-port'
import { testPack } from './pack'

/** A client's new site in a template, on a host of its own: where it is found, and the addresses of all its pages. */
export type PublishedTemplate = { readonly template: string; readonly origin: string; readonly pages: readonly string[] }
/** Such sites, by HTTPS under names of their own, with a browser that finds them; `port` is where it is told what to do. */
export type PublishedTemplates = {
  readonly sites: readonly PublishedTemplate[]
  readonly browser: Browser
  readonly port: number
  readonly stop: () => Promise<void>
}

/** Publishes a client's new site in each template, pictures and all. */
export async function publishTemplates(templates: readonly string[]): Promise<PublishedTemplates> {
  process.env.INSTANT_FIT_DATA ??= mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
  const [{ buildRelease }, { readBlob }, { packAssets }, { withSiteMap }] = await Promise.all([
    import('../src/server/releases/build-release'),
    import('../src/server/files/blobs'),
    import('../src/server/packs/packs'),
    import('../src/server/releases/site-map'),
  ])
  const host = hostIn(mkdtempSync(path.join(tmpdir(), 'instant-fit-host-')), { plain: 0, secure: 0 })
  const server = securePublicServer(host)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  host.ports.secure = (server.address() as AddressInfo).port
  const pack = testPack()
  const sites: PublishedTemplate[] = []
  for (const template of templates) {
    const document = makeDocument(getTemplate(pack, template), { name: 'Ota & Sons' }, {})
    const name = `${template}.test`
    const { cert, key } = await selfSigned(name, 30)
    host.certificates.keep(name, { chain: cert, key })
    const origin = `https://${name}:${host.ports.secure}`
    const built = await buildRelease({ document, pack, assets: packAssets(), mode: 'release' }, origin, () => undefined)
    const manifest = withSiteMap(built, document, origin, '2026-11-27', null)
    host.store.claim(name, 'job')
    const missing = new Set(host.store.announce(name, { id: 'release', manifest }))
    for (const { hash, bytes } of Object.values(manifest))
      if (missing.delete(hash)) await host.store.contents.receive(hash, Readable.from([readBlob(hash)!]), bytes)
    await host.store.activate(name, 'release')
    sites.push({ template, origin, pages: pagesOf(document).map((page) => origin + pagePath(document, page)) })
  }
  const port = await freePort()
  const args = [`--remote-debugging-port=${port}`, '--host-resolver-rules=MAP *.test 127.0.0.1', '--ignore-certificate-errors']
  const browser = await chromium.launch({ ...CHROMIUM, args: [...CHROMIUM.args, ...args] })
  const stop = async (): Promise<void> => {
    await browser.close()
    server.close()
  }
  return { sites, browser, port, stop }
}
