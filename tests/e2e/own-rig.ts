import { test } from './test'
import { browserState } from '../door'
import { makeRig, type Rig } from '../rig'

/** An application and a web host for one group of tests alone, to be stopped and started by them; asked for inside a test. */
export function useOwnRig(options: Parameters<typeof makeRig>[0] = {}): () => Rig {
  let rig: Rig | null = null
  test.beforeAll(async () => {
    rig = await makeRig(options)
    await rig.startHost()
    await rig.startApp()
  })
  test.beforeEach(({ context }) => rig && context.addCookies(browserState(rig.signedIn()).cookies))
  test.afterAll(() => rig?.stop())
  return () => {
    if (!rig) throw new Error('The rig is made before the tests, not while they are listed')
    return rig
  }
}
