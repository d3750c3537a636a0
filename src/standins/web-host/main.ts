import { controlServer } from './control-server'
import { hostIn } from './host'
import { ownToken } from './own-token'
import { publicServer, securePublicServer } from './public-server'

/** Starts the web host. Settings come from the environment; all ports listen on this computer only. */
const {
  WEB_HOST_DATA = 'data/web-host',
  WEB_HOST_PORT = '4380',
  WEB_HOST_SECURE_PORT = '4387',
  WEB_HOST_CONTROL_PORT = '4381',
  WEB_HOST_TOKEN = ownToken(WEB_HOST_DATA),
  WEB_HOST_QUOTA,
} = process.env
const host = hostIn(WEB_HOST_DATA, {
  quotaBytes: WEB_HOST_QUOTA ? Number(WEB_HOST_QUOTA) : null,
  plain: Number(WEB_HOST_PORT),
  secure: Number(WEB_HOST_SECURE_PORT),
})
publicServer(host).listen(host.ports.plain, '127.0.0.1')
securePublicServer(host).listen(host.ports.secure, '127.0.0.1')
controlServer(host, WEB_HOST_TOKEN).listen(Number(WEB_HOST_CONTROL_PORT), '127.0.0.1', () => {
  console.log(`Web host: sites at http://<name>.localhost:${WEB_HOST_PORT}`)
})
