import { mkdirSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { seed } from '../../scripts/seed'
import { browserState } from '../door'
import { makeRig } from '../rig'
import { SIGNED_IN } from './signed-in'

/** One application with the demo's four clients, for every test that does not need its own. */
export default async function setup(): Promise<() => Promise<void>> {
  mkdirSync(path.dirname(SIGNED_IN), { recursive: true })
  const rig = await makeRig()
  await rig.startHost()
  process.env.RIG_REGISTRAR = await rig.startNames()
  process.env.RIG_SECURE_PORT = String(rig.securePort)
  await rig.startApp()
  await seed({ app: rig.app, as: rig.signedIn() })
  writeFileSync(SIGNED_IN, JSON.stringify(browserState(rig.signedIn())))
  process.env.RIG_SIGNED_IN = JSON.stringify(rig.signedIn())
  process.env.RIG_APP = rig.app
  process.env.RIG_HOST_PORT = String(rig.hostPort)
  return rig.stop
}
