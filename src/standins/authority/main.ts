import { acmeServer } from './acme-server'
import { issuerIn } from './issuer'

/**
 * Starts the authority on this computer. Its own certificate lies in its folder as `root.pem`, for whoever is to believe it. Settings come
 * from the environment.
 */
const {
  AUTHORITY_DATA = 'data/authority',
  AUTHORITY_PORT = '4390',
  AUTHORITY_NAME = 'authority.test',
  AUTHORITY_DAYS = '90',
  DNS_PORT = '4388',
  WEB_HOST_PORT = '4380',
} = process.env
const issuer = await issuerIn(AUTHORITY_DATA)
const looking = { dns: [`127.0.0.3:${DNS_PORT}`], httpPort: Number(WEB_HOST_PORT), caaName: AUTHORITY_NAME }
const settings = { origin: `https://localhost:${AUTHORITY_PORT}`, looking, days: Number(AUTHORITY_DAYS) }
acmeServer(issuer, await issuer.ownServer(['localhost', '127.0.0.1']), settings).listen(Number(AUTHORITY_PORT), '127.0.0.1', () => {
  console.log(`Authority: ${settings.origin}/directory`)
})
