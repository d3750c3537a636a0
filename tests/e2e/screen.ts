import { request } from 'node:http'
import { expect, type FrameLocator, type Locator, type Page } from '@playwright/test'
import { askApp } from '../door'

export const APP = process.env.RIG_APP ?? ''
export function siteUrl(name: string): string {
  return `http://${name}.localhost:${process.env.RIG_HOST_PORT}`
}

type NewJob = { readonly name: string; readonly facts?: Record<string, unknown>; readonly colour?: string }

/** A job made through the application's own door, so that a test begins where it matters. */
export async function makeJob({ name, facts = {}, colour }: NewJob, app = APP): Promise<string> {
  const response = await askApp(`${app}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ template: 'tallow', facts: { name, ...facts }, brand: colour ? { colour } : {} }),
  })
  return ((await response.json()) as { job: string }).job
}

/**
 * Goes to a screen of the application: in a tab that has it open at another job as its own links do, else as an address that is typed.
 * What was asked for again is loaded anew.
 */
export async function visit(page: Page, path: string, app = APP): Promise<void> {
  const [to, here] = [new URL(path, app), new URL(page.url())]
  const jobIn = ({ pathname }: URL): string => /^\/jobs\/([^/]+)/.exec(pathname)?.[1] ?? ''
  if (to.origin !== here.origin || jobIn(to) === jobIn(here)) return void (await page.goto(to.href))
  type Started = { readonly next?: { readonly router?: { readonly push: (path: string) => void } } }
  const isStarted = await page.evaluate((there) => {
    const { router } = (window as unknown as Started).next ?? {}
    router?.push(there)
    return router !== undefined
  }, to.pathname + to.search)
  if (!isStarted) return void (await page.goto(to.href))
  await page.waitForURL(to.href)
  // Its title comes a moment later.
  await page.waitForFunction(() => document.title !== '')
}

export async function openContent(page: Page, job: string, app = APP): Promise<void> {
  await visit(page, `/jobs/${job}/content`, app)
  await expect(sheet(page, 'desktop').getByRole('heading', { level: 1 })).toBeVisible()
}

export function sheet(page: Page, name: 'desktop' | 'tablet' | 'phone'): FrameLocator {
  return page.frameLocator(`iframe[title^="Page, ${name}"]`)
}

/** A cell of the ledger, by the name a screen reader says. */
export function cell(page: Page, name: string): Locator {
  return page.getByRole('textbox', { name, exact: true })
}

export function tab(page: Page, name: string): Locator {
  return page.getByRole('navigation', { name: 'Pages' }).getByRole('button', { name: new RegExp(`^${name}\\b`) })
}

export async function saved(page: Page): Promise<void> {
  await expect(page.getByRole('banner').getByRole('status').filter({ hasText: /sav/i })).toHaveText('Saved')
}

/** The number of leftovers that the stage bar shows. */
export async function leftovers(page: Page): Promise<number> {
  const text = await page
    .getByRole('navigation', { name: 'Stages' })
    .getByRole('link', { name: /^Content/ })
    .textContent()
  return Number(/\d+/.exec(text ?? '')?.[0] ?? 0)
}

export async function openPublish(page: Page, job: string, app = APP): Promise<void> {
  await visit(page, `/jobs/${job}/publish`, app)
  await expect(page.getByRole('heading', { name: 'Publish', exact: true })).toBeVisible()
}

/** Opens what is folded under a heading. */
export async function unfold(page: Page, title: string): Promise<Locator> {
  const button = page.getByRole('button', { name: new RegExp(`^${title}`) })
  if ((await button.getAttribute('aria-expanded')) !== 'true') await button.click()
  return page.getByRole('region', { name: title })
}

export async function takeAddress(page: Page, name: string): Promise<void> {
  const field = page.getByLabel('Address on the web host')
  await field.fill(name)
  await expect(page.getByText('✓ Free.')).toBeVisible()
  await page.getByRole('button', { name: 'Use this address' }).click()
  await expect(page.getByText('This is the job’s address.')).toBeVisible()
}

export type Answer = {
  readonly status: number
  readonly headers: Readonly<Record<string, string | string[] | undefined>>
  readonly text: string
}

/**
 * Asks the web host for a path exactly as written, as no browser would; Node does not resolve *.localhost, so the name
 * travels in the Host header.
 */
type Ask = {
  readonly method?: string
  readonly headers?: Readonly<Record<string, string>>
  /** `latin1` gives a letter for each byte. */
  readonly encoding?: 'utf8' | 'latin1'
}

export function askHost(site: string, path: string, options: Ask = {}): Promise<Answer> {
  const { host, port } = new URL(site)
  return new Promise((resolve, reject) => {
    request({ host: '127.0.0.1', port, path, method: options.method ?? 'GET', headers: { host, ...options.headers } }, (response) => {
      let text = ''
      response
        .setEncoding(options.encoding ?? 'utf8')
        .on('data', (part: string) => {
          text += part
        })
        .on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, text }))
    })
      .on('error', reject)
      .end()
  })
}

/** Chooses from a list that a button opens. */
export async function choose(page: Page, menu: string, item: string | RegExp): Promise<void> {
  await page.getByRole('button', { name: menu, exact: true }).click()
  await page
    .getByRole('menuitem', { name: item })
    .or(page.getByRole('menuitemcheckbox', { name: item }))
    .click()
}
