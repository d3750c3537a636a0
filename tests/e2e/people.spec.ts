import { execFile } from 'node:child_process'
import { promisify } from 'node:util'
import { expect, test, type Browser, type Page } from './test'
import { DESIGNER } from '../../scripts/enter'
import { makeRig, type Rig } from '../rig'
import { axeFaults as findings } from './axe'
import { cell, openContent, saved } from './screen'

/** A person at a browser of his own, who is not signed in. */
async function stranger(browser: Browser): Promise<Page> {
  return (await browser.newContext({ storageState: { cookies: [], origins: [] }, viewport: { width: 1280, height: 800 } })).newPage()
}

async function signIn(page: Page, app: string, { email, password } = DESIGNER): Promise<void> {
  await page.goto(`${app}/sign-in`)
  await page.getByLabel('Email').fill(email)
  await page.getByLabel('Password', { exact: true }).fill(password)
  await page.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
}

async function newJob(page: Page, app: string, name: string): Promise<string> {
  await page.goto(`${app}/new`)
  await page.getByLabel('Client’s name').fill(name)
  await page.getByRole('button', { name: /^Make the job/ }).click()
  await page.waitForURL(/\/jobs\/[^/]+\/template/)
  return page.url().split('/')[4] ?? ''
}

/** The link that an owner makes on the account page. */
async function invite(page: Page, app: string, email: string, to: string, as: string): Promise<string> {
  await page.goto(`${app}/account`)
  await page.getByLabel('Invite by email').fill(email)
  await page.getByLabel('To', { exact: true }).selectOption({ label: to })
  await page.getByLabel('As', { exact: true }).selectOption(as)
  await page.getByRole('button', { name: 'Make the link' }).click()
  const link = page.getByText(/\/link\/[\w-]{43}$/)
  await expect(link).toBeVisible()
  return (await link.textContent()) ?? ''
}

async function join(browser: Browser, link: string, name: string): Promise<Page> {
  const page = await stranger(browser)
  await page.goto(link)
  await page.getByLabel('Your name').fill(name)
  await page.getByLabel('Password', { exact: true }).fill('copper kettle over the moor')
  await expect(page.getByText('Very hard to guess')).toBeVisible()
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Join' }).click()
  await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
  return page
}

test.describe('an installation of its own', () => {
  test.describe.configure({ mode: 'serial' })
  let rig: Rig
  let mara: Page
  test.beforeAll(async ({ browser }) => {
    rig = await makeRig({ entered: false })
    await rig.startHost()
    await rig.startApp()
    mara = await stranger(browser)
  })
  test.afterAll(() => rig.stop())

  test('asks at the first start whose it is, and answers nothing before', async ({ browser }) => {
    await mara.goto(`${rig.app}/jobs/any/content`)
    await expect(mara).toHaveURL(`${rig.app}/welcome`)
    await mara.getByLabel('Your name').fill(DESIGNER.name)
    await mara.getByLabel('Email').fill(DESIGNER.email)
    await mara.getByLabel('Password', { exact: true }).fill('Mara Quill 2026!')
    await expect(mara.getByText('Without your own name')).toBeVisible()
    expect(await findings(mara)).toEqual([])
    await mara.getByRole('button', { name: 'Begin' }).click()
    await expect(mara.getByRole('alert').filter({ hasText: 'Without your own name' })).toBeVisible()
    await mara.getByLabel('Password', { exact: true }).fill(DESIGNER.password)
    await mara.getByRole('button', { name: 'Show what is typed as password' }).click()
    await expect(mara.getByLabel('Password', { exact: true })).toHaveAttribute('type', 'text')
    await mara.keyboard.press('Tab')
    await mara.getByLabel('Password', { exact: true }).press('Enter')
    await expect(mara.getByRole('heading', { name: 'Jobs' })).toBeVisible()
    const other = await stranger(browser)
    await other.goto(`${rig.app}/welcome`)
    await expect(other).toHaveURL(/\/sign-in/)
  })

  test('goes on, after signing in, to the page that was asked for, and to no other site', async ({ browser }) => {
    const job = await newJob(mara, rig.app, 'Asked For')
    const page = await stranger(browser)
    await page.goto(`${rig.app}/jobs/${job}/pages?show=add-page`)
    await expect(page).toHaveURL(/\/sign-in\?to=/)
    expect(await findings(page)).toEqual([])
    await page.getByLabel('Email').fill(DESIGNER.email)
    await page.getByLabel('Password', { exact: true }).fill('not this one')
    await page.keyboard.press('Enter')
    await expect(page.getByRole('alert').filter({ hasText: 'No account has this email and password' })).toBeVisible()
    await page.getByLabel('Password', { exact: true }).fill(DESIGNER.password)
    await page.keyboard.press('Enter')
    await expect(page).toHaveURL(`${rig.app}/jobs/${job}/pages?show=add-page`)
    // Whoever makes their first site is led, stage by stage, until what is asked for there is done.
    const lead = page.getByRole('complementary', { name: 'What to do here' })
    await expect(lead).toContainText('Give each page a name')
    await page.getByRole('link', { name: /^Brand/ }).click()
    await expect(lead).toContainText('Add the client’s logo or one colour.')
    await page.getByRole('textbox', { name: 'Brand colour' }).fill('#2f6f4f')
    await expect(lead).toBeHidden()
    for (const elsewhere of ['//evil.example/', 'https://evil.example/', '/\\evil.example']) {
      const other = await stranger(browser)
      await other.goto(`${rig.app}/sign-in?to=${encodeURIComponent(elsewhere)}`)
      await other.getByLabel('Email').fill(DESIGNER.email)
      await other.getByLabel('Password', { exact: true }).fill(DESIGNER.password)
      await other.keyboard.press('Enter')
      await expect(other).toHaveURL(`${rig.app}/`)
    }
  })

  test('keeps what somebody types whose session was ended, and saves it when he is back', async ({ browser }) => {
    const job = await newJob(mara, rig.app, 'Signed Out')
    await openContent(mara, job, rig.app)
    const page = await stranger(browser)
    await signIn(page, rig.app)
    await page.getByRole('link', { name: /your account/ }).click()
    await page.getByRole('button', { name: 'Sign out everywhere' }).click()
    await expect(page).toHaveURL(/\/sign-in/)
    await cell(mara, 'Hero: Heading').fill('Typed after the end')
    await expect(mara.getByText('You are not signed in any more')).toBeVisible()
    await expect(mara.getByText('Not saved yet; trying again')).toBeVisible()
    const again = await mara.context().newPage()
    await signIn(again, rig.app)
    await saved(mara)
    await mara.reload()
    await expect(cell(mara, 'Hero: Heading')).toHaveValue('Typed after the end')
  })

  test('lets a guest at one job, a reader look, and says who did what', async ({ browser }) => {
    const job = await newJob(mara, rig.app, 'For Two')
    const sam = await join(browser, await invite(mara, rig.app, 'sam@ives.example', 'For Two', 'editor'), 'Sam Ives')
    await expect(sam.getByRole('row', { name: /For Two/ })).toBeVisible()
    await expect(sam.getByRole('row', { name: /Asked For/ })).toHaveCount(0)
    await expect(sam.getByRole('link', { name: 'New job' })).toHaveCount(0)
    await openContent(sam, job, rig.app)
    await cell(sam, 'Hero: Heading').fill('By Sam')
    await saved(sam)
    const ada = await join(browser, await invite(mara, rig.app, 'ada@lock.example', 'all jobs', 'reader'), 'Ada Lock')
    await openContent(ada, job, rig.app)
    await expect(ada.getByText('You look at this job')).toBeVisible()
    await expect(cell(ada, 'Hero: Heading')).toHaveValue('By Sam')
    await cell(ada, 'Hero: Heading').pressSequentially('x')
    await expect(ada.getByText('You can look at this job but not change it')).toBeVisible()
    await expect(cell(ada, 'Hero: Heading')).toHaveValue('By Sam')
    await ada.goto(`${rig.app}/jobs/${job}/history`)
    await expect(ada.getByRole('row', { name: /Sam Ives wrote Heading of hero on Home By Sam/ })).toBeVisible()
    expect(await findings(ada)).toEqual([])
    const elsewhere = await sam.goto(`${rig.app}/jobs/${job}x/content`)
    expect(elsewhere?.status()).toBe(404)
    // Undo is each person’s own: Mara has nothing to take back of Sam’s.
    await openContent(mara, job, rig.app)
    await expect(mara.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled()
    await mara.goto(`${rig.app}/account`)
    await mara.getByRole('button', { name: 'Remove Sam Ives' }).click()
    await mara.getByRole('button', { name: 'Sign out and remove' }).click()
    await expect(mara.getByLabel('What Sam Ives may do')).toHaveCount(0)
    await sam.goto(`${rig.app}/jobs/${job}/content`)
    await expect(sam).toHaveURL(/\/sign-in/)
  })

  test('shows the account as it is, ends a session, and changes the password that was given', async ({ browser }) => {
    const other = await stranger(browser)
    await signIn(other, rig.app)
    await mara.goto(`${rig.app}/account`)
    expect(await findings(mara)).toEqual([])
    await expect(mara.getByRole('region', { name: 'The audit list' }).getByRole('row', { name: /Mara Quill first start/ })).toBeVisible()
    await mara
      .getByRole('button', { name: /^Sign out on/ })
      .first()
      .click()
    await other.goto(rig.app)
    await expect(other).toHaveURL(/\/sign-in/)
    await mara.getByRole('button', { name: 'Change the password' }).click()
    await mara.getByLabel('Password now', { exact: true }).fill(DESIGNER.password)
    await mara.getByLabel('New password', { exact: true }).fill('a red door by the canal')
    await expect(mara.getByText('Very hard to guess')).toBeVisible()
    expect(await findings(mara)).toEqual([])
    await mara.getByRole('button', { name: 'Keep the new password' }).click()
    await expect(mara.getByText('Your password is the new one')).toBeVisible()
    await signIn(other, rig.app, { ...DESIGNER, password: 'a red door by the canal' })
  })

  test('lets whoever cannot sign in back by a link from the machine, once', async ({ browser }) => {
    const { stdout } = await promisify(execFile)(process.execPath, ['--import', 'tsx', 'scripts/let-in.ts', DESIGNER.email], {
      env: { ...process.env, INSTANT_FIT_DATA: rig.data, INSTANT_FIT_ADDRESS: rig.app },
    })
    const page = await stranger(browser)
    await page.goto(stdout.trim())
    await page.getByLabel('New password', { exact: true }).fill(DESIGNER.password)
    await page.getByRole('button', { name: 'Keep it and sign in' }).click()
    await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
    await page.goto(stdout.trim())
    await expect(page.getByRole('heading', { name: 'This link lets nobody in' })).toBeVisible()
    await mara.goto(rig.app)
    await expect(mara).toHaveURL(/\/sign-in/)
    mara = page
  })

  test('signs in by a passkey that a device has made', async ({ browser }) => {
    // Chromium’s own authenticator, which speaks CTAP2 as a device would (Web Authentication Level 3, 11: user agent automation).
    const app = rig.app.replace('127.0.0.1', 'localhost')
    const page = await stranger(browser)
    const devices = await page.context().newCDPSession(page)
    await devices.send('WebAuthn.enable')
    await devices.send('WebAuthn.addVirtualAuthenticator', {
      options: { protocol: 'ctap2', transport: 'internal', hasResidentKey: true, hasUserVerification: true, isUserVerified: true },
    })
    await signIn(page, app)
    await page.goto(`${app}/account`)
    await page.getByRole('button', { name: 'Add a passkey' }).click()
    await page.getByLabel('Your password', { exact: true }).fill('wrong')
    await page.getByRole('button', { name: 'Ask this device' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'not your current password' })).toBeVisible()
    await page.getByLabel('Your password', { exact: true }).fill(DESIGNER.password)
    await page.getByRole('button', { name: 'Ask this device' }).click()
    await expect(page.getByText('This device signs you in from now on.')).toBeVisible()
    await page.getByRole('button', { name: 'Sign out', exact: true }).click()
    await page.getByRole('button', { name: 'With a passkey' }).click()
    await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible()
    await page.goto(`${app}/account`)
    await expect(page.getByText(/used less than a minute ago/)).toBeVisible()
    await page.getByRole('button', { name: /^Remove the passkey/ }).click()
    await expect(page.getByText('A device can sign you in')).toBeVisible()
    await page.getByRole('button', { name: 'Sign out', exact: true }).click()
    await page.getByRole('button', { name: 'With a passkey' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'nobody here has it any more' })).toBeVisible()
    // Under a number instead of a name it says why not.
    await page.goto(`${rig.app}/sign-in`)
    await page.getByRole('button', { name: 'With a passkey' }).click()
    await expect(page.getByRole('alert').filter({ hasText: 'belongs to a name' })).toBeVisible()
  })
})
