import { filesTest } from '../connection-test/files-test'
import { findAddresses, tryPort } from '../connection-test/network'
import { TestFault, type ConnectionTest, type TestPart } from '../connection-test/connection-test'
import { objectStore } from './adapter'
import type { ObjectStoreSecret, ObjectStoreSettings } from './settings'

const USUAL = 'Object stores mostly answer on port 443'

/** The steps of a connection to an object store. */
export function objectStoreTest(settings: ObjectStoreSettings, secret: ObjectStoreSecret, origin: string): ConnectionTest {
  const { host, port, bucket, folder } = settings
  const store = objectStore(settings, secret, () => undefined)
  const parts: readonly TestPart[] = [
    ['name', async () => `${host} is at ${(await findAddresses(host)).join(', ')}.`],
    ['port', () => tryPort(host, port, USUAL)],
    [
      'login',
      async () => {
        await store.read('site-test-login.txt').catch((error: unknown) => {
          const words = error instanceof Error ? error.message : String(error)
          throw new TestFault(`The store was asked with the key, and this came back: ${words}.`, adviceOn(words))
        })
        return 'It knows the key.'
      },
    ],
    ...filesTest(async () => store, origin, folder === '' ? bucket : `${bucket}/${folder}`, 'bucket'),
  ]
  return { parts, close: () => undefined }
}

function adviceOn(words: string): string {
  if (/clock/.test(words)) return 'Set the clock of this computer by a time server, then try again.'
  if (/bucket|region/.test(words)) return 'Look at the names of the bucket and of its region: they stand in the store’s own console.'
  if (/key/.test(words))
    return 'Copy the ID and the secret of the key anew, without spaces around them; a key that was withdrawn is made anew.'
  return 'Look at the name of the server, and at whether it is encrypted (https).'
}
