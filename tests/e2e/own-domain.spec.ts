import { expect, test, type Locator, type Page } from '@playwright/test'
import { CHROMIUM } from '../chromium'
import { axeFaults } from './axe'
import { makeJob, openPublish, siteUrl, takeAddress, unfold } from './screen'

const REGISTRAR = process.env.RIG_REGISTRAR ?? ''
const DOMAIN = 'tolliverandwren.test'

// Names of the invented top level are all on this machine; the authority is one that no browser knows. That its certificates are good is
// held by openssl and curl (tests/outside/authorities.test.ts).
test.use({
  launchOptions: { ...CHROMIUM, args: [...CHROMIUM.args, '--host-resolver-rules=MAP *.test 127.0.0.1'] },
  ignoreHTTPSErrors: true,
})
/** Under which heading a domain is added. */
const FOLD = 'Client’s own domain'
// One registrar, one domain: what one test sets, another would see.
test.describe.configure({ mode: 'serial' })

const row = (page: Page, type: string, name: string): Locator =>
  page.getByRole('list', { name: `Records of ${DOMAIN}` }).getByRole('listitem', { name: `${type} ${name}`, exact: true })

/** What whoever looks after the domain does at the registrar's page. */
async function setRecords(registrar: Page, records: readonly (readonly [name: string, type: string, value: string])[]): Promise<void> {
  await registrar.goto(`${REGISTRAR}/domains/${DOMAIN}`)
  for (const name of [DOMAIN, `www.${DOMAIN}`, `_site-proof.${DOMAIN}`])
    for (const type of ['A', 'CNAME', 'TXT']) {
      const remove = registrar.getByRole('button', { name: `Remove ${type} ${name}`, exact: true })
      while ((await remove.count()) > 0) await remove.first().click()
    }
  for (const [name, type, value] of records) {
    await registrar.getByRole('textbox', { name: 'Name' }).fill(name)
    await registrar.getByRole('combobox', { name: 'Type' }).selectOption(type)
    await registrar.getByRole('textbox', { name: 'Value' }).fill(value)
    await registrar.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(registrar.getByRole('button', { name: new RegExp(`^Remove ${type} `) }).last()).toBeVisible()
  }
  await registrar.getByRole('button', { name: 'Let name servers forget what they keep' }).click()
  await expect(registrar.getByRole('heading', { name: 'Your domains' })).toBeVisible()
}

async function publish(page: Page): Promise<void> {
  const button = page.getByRole('button', { name: /^Publish with \d+ leftovers$/ })
  await expect(button).toBeEnabled()
  await button.click()
  await expect(page.getByText(/✓ Live\./)).toBeVisible()
  await expect(page.getByText(/✓ Visitors get all \d+ files as they were sent/)).toBeVisible()
}

async function domainField(page: Page): Promise<Locator> {
  return (await unfold(page, FOLD)).getByRole('textbox')
}

async function noteDomain(page: Page, typed: string): Promise<void> {
  await (await domainField(page)).fill(typed)
  await page.getByRole('button', { name: 'Add domain' }).click()
}

test('a site goes to the client’s domain: records set at the registrar, a certificate, and every old address leads there', async ({
  page,
  context,
}) => {
  const job = await makeJob({ name: 'Domain Bound' })
  await openPublish(page, job)
  await takeAddress(page, 'domain-bound')
  await publish(page)

  const field = await domainField(page)
  await field.fill('post@client.test')
  await expect(page.getByText('is an address for mail')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Add domain' })).toBeDisabled()
  await noteDomain(page, `https://www.${DOMAIN}/`)
  await expect(page.getByRole('heading', { name: `www.${DOMAIN}` })).toBeFocused()
  await expect(row(page, 'CNAME', 'www')).toContainText(
    'A 203.0.113.20 is set. Remove it first: a CNAME cannot share its name with other records.',
  )
  await expect(row(page, 'A', '@')).toContainText('to be changed')
  await expect(row(page, 'TXT', '_site-proof')).toContainText('to be set')
  await expect(page.getByRole('button', { name: 'Bring the site to this domain' })).toBeDisabled()
  expect(await axeFaults(page)).toEqual([])

  await page.getByRole('button', { name: `Copy the value of TXT _site-proof.${DOMAIN}` }).click()
  const proof = await page.evaluate(() => navigator.clipboard.readText())
  expect(proof).toMatch(/^site=[\w-]{22}$/)
  await page.getByRole('button', { name: 'Send DNS records…' }).click()
  await expect(page.getByRole('region', { name: 'The letter' })).toContainText(proof)
  await page.getByRole('button', { name: 'Copy all records' }).click()
  await expect(page.getByText('✓ Copied')).toBeVisible()
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(`$ORIGIN ${DOMAIN}.`)
  await page.keyboard.press('Escape')

  const registrar = await context.newPage()
  await setRecords(registrar, [
    ['@', 'A', '127.0.0.1'],
    ['www', 'CNAME', 'sites.instant-fit.test'],
    ['_site-proof', 'TXT', proof],
  ])
  await page.bringToFront()
  await page.getByRole('button', { name: 'Look again' }).click()
  for (const [type, name] of [
    ['CNAME', 'www'],
    ['A', '@'],
    ['TXT', '_site-proof'],
  ] as const)
    await expect(row(page, type, name)).toContainText('✓ right')

  await page.getByRole('button', { name: 'Bring the site to this domain' }).click()
  await expect(page.getByText('✓ This is the site’s address.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'What will change' })).toBeFocused()
  await expect(page.getByText(/✓ good until/)).toBeVisible()
  await publish(page)
  const origin = `https://www.${DOMAIN}:${process.env.RIG_SECURE_PORT}`
  await expect(page.getByRole('link', { name: origin }).first()).toBeVisible()
  await expect(page.getByText('✓ 3 records, all right')).toBeVisible()

  const visitor = await context.newPage()
  for (const old of [siteUrl('domain-bound'), `https://${DOMAIN}:${process.env.RIG_SECURE_PORT}`]) {
    await visitor.goto(`${old}/`)
    await expect(visitor).toHaveURL(`${origin}/`)
    await expect(visitor).toHaveTitle(/Domain Bound/)
  }
  await page.bringToFront()
  const hsts = page.getByRole('checkbox', { name: /Browsers that were here come by HTTPS alone/ })
  await hsts.click()
  await expect(hsts).toBeChecked()
  expect((await visitor.reload())?.headers()['strict-transport-security']).toBe('max-age=31536000')
  await hsts.click()
  await expect(hsts).not.toBeChecked()
  expect((await visitor.reload())?.headers()['strict-transport-security']).toBe('max-age=0')

  // Another job cannot have it; and this one can go back.
  const other = await makeJob({ name: 'Domain Wanting' })
  await openPublish(page, other)
  await (await domainField(page)).fill(DOMAIN)
  await expect(page.getByText('is the domain of another job here')).toBeVisible()
  await openPublish(page, job)
  await page.getByRole('button', { name: 'Move to this address' }).click()
  await expect(page.getByText('This is the job’s address.')).toBeVisible()
  await publish(page)
  await visitor.goto(`${origin}/`)
  await expect(visitor).toHaveURL(`${siteUrl('domain-bound')}/`)
  await page.getByRole('button', { name: 'Remove domain…' }).click()
  await page.getByRole('button', { name: 'Remove domain', exact: true }).click()
  await expect(page.getByRole('region', { name: FOLD }).getByRole('textbox')).toBeFocused()
})

test('a domain that leads elsewhere has its certificate first, by DNS; name servers that fail are told', async ({ page, context }) => {
  const job = await makeJob({ name: 'Domain Waiting' })
  await openPublish(page, job)
  await noteDomain(page, DOMAIN)
  const registrar = await context.newPage()
  await registrar.goto(`${REGISTRAR}/domains/${DOMAIN}`)
  await registrar.getByRole('button', { name: 'Let every question fail (SERVFAIL)' }).click()
  await registrar.getByRole('button', { name: 'Let name servers forget what they keep' }).click()
  await page.bringToFront()
  await page.getByRole('button', { name: 'Look again' }).click()
  await expect(row(page, 'A', '@')).toContainText(/not known.*SERVFAIL/s)
  await registrar.goto(`${REGISTRAR}/domains/${DOMAIN}`)
  await registrar.getByRole('button', { name: 'Answer questions again' }).click()

  await page.bringToFront()
  await page.getByRole('button', { name: 'Get it beforehand, by DNS' }).click()
  const challenge = row(page, 'TXT', '_acme-challenge')
  await expect(challenge).toContainText('to be set')
  await page.getByRole('button', { name: 'They are set: get the certificate' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'does not lead here yet' })).toBeVisible()
  const values: (readonly [string, string, string])[] = []
  for (const name of [`_acme-challenge.${DOMAIN}`, `_acme-challenge.www.${DOMAIN}`]) {
    await page.getByRole('button', { name: `Copy the value of TXT ${name}` }).click()
    values.push([name, 'TXT', await page.evaluate(() => navigator.clipboard.readText())])
  }
  await setRecords(registrar, values)
  await page.bringToFront()
  await page.getByRole('button', { name: 'They are set: get the certificate' }).click()
  await expect(page.getByText(/✓ good until/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Bring the site to this domain' })).toBeDisabled()
  await expect(challenge).toHaveCount(0)
})

test('a registrar’s page refuses what is no record, and says why', async ({ page }) => {
  await page.goto(`${REGISTRAR}/domains/${DOMAIN}`)
  await page.getByRole('textbox', { name: 'Name' }).fill('www')
  await page.getByRole('textbox', { name: 'Value' }).fill('not a number')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByRole('alert')).toHaveText('That value does not fit this kind of record.')
})
