import { readFileSync } from 'node:fs'
import { test as base, type BrowserContext, type CDPSession } from '@playwright/test'
import { SIGNED_IN } from './signed-in'

export { expect } from '@playwright/test'
export type { Browser, FrameLocator, Locator, Page, Response } from '@playwright/test'

/** A browser's profile that a worker keeps for all its tests, with a way to what it stores. */
type Profile = {
  readonly context: BrowserContext
  readonly line: CDPSession
  readonly cookies: Parameters<BrowserContext['addCookies']>[0]
}

/**
 * The tests of a worker share one signed-in profile, so that the application's files and what the browser compiled of them are there
 * from the second test on. Nothing that a test did is left to the next one: its pages are closed, what they stored is cleared, and
 * whoever is signed in is the designer again.
 */
export const test = base.extend<object, { readonly profile: Profile }>({
  profile: [
    async ({ browser }, use) => {
      const context = await browser.newContext({
        storageState: SIGNED_IN,
        viewport: { width: 1280, height: 800 },
        permissions: ['clipboard-read', 'clipboard-write'],
      })
      const line = await context.newCDPSession(await context.newPage())
      const { cookies } = JSON.parse(readFileSync(SIGNED_IN, 'utf8')) as Pick<Profile, 'cookies'>
      await use({ context, line, cookies })
      await context.close()
    },
    { scope: 'worker' },
  ],
  context: async ({ profile: { context, line, cookies } }, use) => {
    const [keeper] = context.pages()
    await use(context)
    const opened = context.pages().filter((page) => page !== keeper)
    const origins = new Set([process.env.RIG_APP ?? '', ...opened.map((page) => page.url())].map((url) => new URL(url).origin))
    await Promise.all(opened.map((page) => page.close()))
    await Promise.all([context.setOffline(false), context.unrouteAll()])
    for (const origin of [...origins].filter((one) => one.startsWith('http')))
      await line.send('Storage.clearDataForOrigin', { origin, storageTypes: 'indexeddb,local_storage,cache_storage' })
    await context.clearCookies()
    await context.addCookies(cookies)
  },
})
