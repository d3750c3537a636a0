import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll } from 'vitest'
import { acmeServer } from '../../src/standins/authority/acme-server'
import { issuerIn, type Issuer } from '../../src/standins/authority/issuer'
import { answerFrom } from '../../src/standins/dns/answer'
import { Keeper } from '../../src/standins/dns/keeper'
import { listen } from '../../src/standins/dns/listen'
import { Zones, type ZoneRecord } from '../../src/standins/dns/zones'
import { controlServer } from '../../src/standins/web-host/control-server'
import { hostIn } from '../../src/standins/web-host/host'
import { publicServer, securePublicServer, type Shown } from '../../src/standins/web-host/public-server'
import { freePort } from '../free-port'
import { serving } from './file-servers'

export const NS = 'ns.hedgerow.test'
const [OWN, FIRST, SECOND] = ['127.0.0.3', '127.0.0.1', '127.0.0.2'] as const

/** Name servers of an invented top level, an authority and a web host, all on this machine until the file's tests are done. */
export type Names = {
  readonly zones: Zones
  readonly dnsPort: number
  /** Has the name servers that visitors ask forget what they keep. */
  readonly forget: () => void
  readonly host: Shown
  readonly issuer: Issuer
  readonly rootFile: string
  readonly directoryUrl: string
  readonly authority: ReturnType<typeof acmeServer>
}

export const record = (type: ZoneRecord['type'], name: string, value: string, ttl = 300): ZoneRecord => ({ name, type, value, ttl })

/** Starts them, and has the application's settings name them. */
export async function startNames(domain: string, atFirst: readonly ZoneRecord[]): Promise<Names> {
  const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-names-'))
  const zones = new Zones(path.join(folder, 'zones.json'), {
    'hedgerow.test': [record('A', NS, OWN)],
    'instant-fit.test': [record('A', 'sites.instant-fit.test', FIRST)],
    [domain]: atFirst,
  })
  const tell = (name: string, type: string): ReturnType<typeof answerFrom> => answerFrom(zones, NS, name, type)
  const keepers = [new Keeper(tell), new Keeper(tell)]
  const own = await listen(OWN, await freePort([OWN, FIRST, SECOND]), { tell, isOwn: true })
  const others = await Promise.all(
    [FIRST, SECOND].map((at, i) => listen(at, own.port, { tell: (name, type) => keepers[i]!.answer(name, type), isOwn: false })),
  )
  afterAll(() => [own, ...others].forEach((server) => server.close()))

  const host = hostIn(path.join(folder, 'host'), { plain: 0, secure: 0 })
  host.ports.plain = await serving(publicServer(host))
  host.ports.secure = await serving(securePublicServer(host))
  const control = await serving(controlServer(host, 'a-token'))

  const issuer = await issuerIn(path.join(folder, 'authority'))
  const settings = {
    origin: '',
    looking: { dns: [`${OWN}:${own.port}`], httpPort: host.ports.plain, caaName: 'authority.test' },
    days: 90,
  }
  const authority = acmeServer(issuer, await issuer.ownServer(['localhost', '127.0.0.1']), settings)
  settings.origin = `https://localhost:${await serving(authority)}`
  Object.assign(process.env, {
    WEB_HOST_TOKEN: 'a-token',
    WEB_HOST_PORT: String(host.ports.plain),
    WEB_HOST_SECURE_PORT: String(host.ports.secure),
    WEB_HOST_CONTROL_PORT: String(control),
    INSTANT_FIT_DNS: `${FIRST},${SECOND}`,
    INSTANT_FIT_DNS_PORT: String(own.port),
    AUTHORITY_DIRECTORY: `${settings.origin}/directory`,
    AUTHORITY_ROOT: path.join(folder, 'authority', 'root.pem'),
  })
  return {
    zones,
    dnsPort: own.port,
    forget: () => keepers.forEach((keeper) => keeper.forget()),
    host,
    issuer,
    rootFile: path.join(folder, 'authority', 'root.pem'),
    directoryUrl: `${settings.origin}/directory`,
    authority,
  }
}

/** Sets a zone's records to these alone. */
export function setZone(zones: Zones, domain: string, records: readonly ZoneRecord[]): void {
  for (let left = zones.get(domain)?.records.length ?? 0; left > 0; left--) zones.remove(domain, 0)
  for (const one of records) zones.add(domain, one)
}
