import path from 'node:path'
import { answerFrom } from './answer'
import { Keeper } from './keeper'
import { listen } from './listen'
import { registrarPage } from './registrar'
import { Zones } from './zones'

/**
 * Starts the name servers of an invented top level, all on this computer: the domains' own at 127.0.0.3, two that visitors ask at 127.0.0.1
 * and 127.0.0.2, and the registrar's page. Settings come from the environment.
 */
const { DNS_DATA = 'data/dns', DNS_PORT = '4388', REGISTRAR_PORT = '4389' } = process.env
const OWN = '127.0.0.3'
const NS = 'ns.hedgerow.test'
const zones = new Zones(path.join(DNS_DATA, 'zones.json'), {
  'hedgerow.test': [{ name: NS, type: 'A', value: OWN, ttl: 3600 }],
  'instant-fit.test': [{ name: 'sites.instant-fit.test', type: 'A', value: '127.0.0.1', ttl: 3600 }],
  // A domain of a client's that leads to an earlier site, with its mail, as most do.
  'tolliverandwren.test': [
    { name: 'tolliverandwren.test', type: 'A', value: '203.0.113.20', ttl: 300 },
    { name: 'www.tolliverandwren.test', type: 'A', value: '203.0.113.20', ttl: 300 },
    { name: 'tolliverandwren.test', type: 'MX', value: '10 post.hedgerow.test', ttl: 3600 },
    { name: 'tolliverandwren.test', type: 'TXT', value: 'v=spf1 mx -all', ttl: 3600 },
  ],
})
const tell = (name: string, type: string): ReturnType<typeof answerFrom> => answerFrom(zones, NS, name, type)
const keepers = [new Keeper(tell), new Keeper(tell)]
await listen(OWN, Number(DNS_PORT), { tell, isOwn: true })
for (const [at, keeper] of keepers.entries())
  await listen(`127.0.0.${at + 1}`, Number(DNS_PORT), { tell: (name, type) => keeper.answer(name, type), isOwn: false })
registrarPage(zones, () => keepers.forEach((keeper) => keeper.forget())).listen(Number(REGISTRAR_PORT), '127.0.0.1', () => {
  console.log(`Registrar: http://localhost:${REGISTRAR_PORT}`)
})
