import { seed } from '../../scripts/seed'
import { makeRig } from '../rig'

/** One application with the demo's four clients, for every test that does not need its own. */
export default async function setup(): Promise<() => Promise<void>> {
  const rig = await makeRig()
  await rig.startHost()
  await rig.startApp()
  await seed(rig.app)
  process.env.RIG_APP = rig.app
  process.env.RIG_HOST_PORT = String(rig.hostPort)
  return rig.stop
}
