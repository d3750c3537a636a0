/**
 * Publishes releases of a made site one after the other to a server, for somebody to end in the middle: what it is started with says where
 * (JSON), with which number it begins, and how many. Each that is live is said.
 */
import * as v from 'valibot'
import { adapterFor, connectionSchema } from '../../src/server/destinations/kinds'
import { makeDestination } from '../../src/server/destinations/shell'
import { remembering } from '../remembering'
import { siteOf } from './made-site'

const [connection = '', first = '1', count = '1'] = process.argv.slice(2)
const { kept, note } = remembering()
// Of the rounds before, as the application has it.
for (let before = Math.max(1, Number(first) - 160); before < Number(first); before++) note(siteOf(before).contents.values())
const to = makeDestination(adapterFor(v.parse(connectionSchema, JSON.parse(connection)), kept))
// Asked to end, it finishes the release in hand.
const asked = new AbortController()
process.on('SIGTERM', () => asked.abort())
for (let number = Number(first); number < Number(first) + Number(count) && !asked.signal.aborted; number++) {
  const { manifest, contents } = siteOf(number)
  await to.claim('', 'job')
  const { missing, send, activate } = await to.deliver('', `r${number}`, manifest)
  for (const hash of missing) await send(hash, contents.get(hash)!)
  await activate()
  note(contents.values())
  console.log(`live ${number}`)
}
process.exit(0)
