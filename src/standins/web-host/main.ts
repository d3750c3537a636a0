import { controlServer } from './control-server'
import { ownToken } from './own-token'
import { publicServer } from './public-server'
import { SiteStore } from './store'

/** Starts the web host. Settings come from the environment; both ports listen on this computer only. */
const {
  WEB_HOST_DATA = 'data/web-host',
  WEB_HOST_PORT = '4380',
  WEB_HOST_CONTROL_PORT = '4381',
  WEB_HOST_TOKEN = ownToken(WEB_HOST_DATA),
  WEB_HOST_QUOTA,
} = process.env
const store = new SiteStore(WEB_HOST_DATA, WEB_HOST_QUOTA ? Number(WEB_HOST_QUOTA) : null)
publicServer(store).listen(Number(WEB_HOST_PORT), '127.0.0.1')
controlServer(store, WEB_HOST_TOKEN).listen(Number(WEB_HOST_CONTROL_PORT), '127.0.0.1', () => {
  console.log(`Web host: sites at http://<name>.localhost:${WEB_HOST_PORT}`)
})
