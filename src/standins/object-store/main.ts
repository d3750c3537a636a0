import { siteOfBucket } from './site'
import { objectStoreStandIn } from './store'

/**
 * Starts an object store with one bucket, and a site in front of it. Settings come from the environment; both ports listen on this
 * computer only.
 */
const {
  OBJECT_STORE_DATA = 'data/object-store',
  OBJECT_STORE_PORT = '4385',
  OBJECT_STORE_SITE_PORT = '4386',
  OBJECT_STORE_BUCKET = 'tolliver-site',
  OBJECT_STORE_KEY_ID = 'TOLLIVER-KEY',
  OBJECT_STORE_KEY = 'eleven kites in a row',
} = process.env

const key = { id: OBJECT_STORE_KEY_ID, secret: OBJECT_STORE_KEY }
objectStoreStandIn({ folder: OBJECT_STORE_DATA, bucket: OBJECT_STORE_BUCKET, key }).listen(Number(OBJECT_STORE_PORT), '127.0.0.1')
siteOfBucket(() => `http://127.0.0.1:${OBJECT_STORE_PORT}`, OBJECT_STORE_BUCKET).listen(Number(OBJECT_STORE_SITE_PORT), '127.0.0.1', () => {
  console.log(`An object store on port ${OBJECT_STORE_PORT}, and what visitors see of it on http://localhost:${OBJECT_STORE_SITE_PORT}`)
})
