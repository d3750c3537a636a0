import { readFileSync } from 'node:fs'
import { test as base, type BrowserContext, type CDPSession, type Page } from '@playwright/test'
import { browserState } from '../door'
import { makeRig, type Rig } from '../rig'
import { SIGNED_IN } from './signed-in'

export { expect } from '@playwright/test'
export type { Browser, Frame, FrameLocator, Locator, Page, Response } from '@playwright/test'

/** A browser's profile that a worker keeps for all its tests, with a way to what it stores, and the tab that the next test goes on in. */
type Profile = {
  readonly context: BrowserContext
  readonly line: CDPSession
  readonly cookies: Parameters<BrowserContext['addCookies']>[0]
  tab: Page | null
}
type Options = {
  /** Has a tab of its own: for what is left behind in a tab, or goes wrong in it, and so must not be another test's. */
  readonly ownTab: boolean
}

type Fixtures = {
  /** An application and a web host that a test may stop and start, which no test of another worker uses; search engines are told there. */
  readonly ownRig: Rig
}

const VIEWPORT = { width: 1280, height: 800 }

/**
 * The tests of a worker share one signed-in profile, and go on in one tab as a designer does who goes from job to job: the application
 * starts once, not for each of them. Nothing that a test did is left to the next one: other tabs are closed, what they stored is cleared,
 * and whoever is signed in is the designer again. A test that failed, or left the application, leaves no tab.
 */
export const test = base.extend<Options & Fixtures, { readonly profile: Profile; readonly rig: Rig }>({
  ownTab: [false, { option: true }],
  profile: [
    async ({ browser }, use) => {
      const context = await browser.newContext({
        storageState: SIGNED_IN,
        viewport: VIEWPORT,
        permissions: ['clipboard-read', 'clipboard-write'],
      })
      const line = await context.newCDPSession(await context.newPage())
      const { cookies } = JSON.parse(readFileSync(SIGNED_IN, 'utf8')) as Pick<Profile, 'cookies'>
      await use({ context, line, cookies, tab: null })
      await context.close()
    },
    { scope: 'worker' },
  ],
  rig: [
    // It depends on nothing.
    // oxlint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const rig = await makeRig({ isTold: true })
      await rig.startHost()
      await rig.startApp()
      await use(rig)
      await rig.stop()
    },
    { scope: 'worker' },
  ],
  ownRig: async ({ rig, context }, use) => {
    await context.addCookies(browserState(rig.signedIn()).cookies)
    await use(rig)
  },
  context: async ({ profile }, use) => {
    const { context, line, cookies } = profile
    const [keeper] = context.pages()
    await use(context)
    const opened = context.pages().filter((page) => page !== keeper && page !== profile.tab)
    const origins = new Set(opened.map((page) => page.url()).map((url) => new URL(url).origin))
    if (!profile.tab) origins.add(new URL(process.env.RIG_APP ?? '').origin)
    await Promise.all(opened.map((page) => page.close()))
    await Promise.all([context.setOffline(false), context.unrouteAll()])
    for (const origin of [...origins].filter((one) => one.startsWith('http')))
      await line.send('Storage.clearDataForOrigin', { origin, storageTypes: 'indexeddb,local_storage,cache_storage' })
    await context.clearCookies()
    await context.addCookies(cookies)
  },
  page: async ({ context, profile, ownTab }, use, testInfo) => {
    const kept = ownTab ? null : profile.tab
    if (!ownTab) profile.tab = null
    const page = kept ?? (await context.newPage())
    await use(page)
    const isWell = !page.isClosed() && testInfo.status === testInfo.expectedStatus && new URL(page.url()).origin === process.env.RIG_APP
    if (ownTab || !isWell) return
    page.removeAllListeners()
    await page.unrouteAll({ behavior: 'ignoreErrors' })
    await page.emulateMedia({ media: null, colorScheme: null, reducedMotion: null, forcedColors: null })
    await page.setViewportSize(VIEWPORT)
    await page.mouse.move(0, 0)
    profile.tab = page
  },
})
