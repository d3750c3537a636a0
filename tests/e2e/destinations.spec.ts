import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import type { Server as WebServer } from 'node:http'
import { connect, createServer, type AddressInfo, type Server as NetServer } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { expect, test, type Locator, type Page } from './test'
import { unzipSync } from 'fflate'
import ssh2, { type Server } from 'ssh2'
import { selfSigned } from '../../src/standins/client-server/certificate'
import { ftpStandIn } from '../../src/standins/client-server/ftp'
import { sftpStandIn } from '../../src/standins/client-server/sftp'
import { webStandIn } from '../../src/standins/client-server/web'
import { siteOfBucket } from '../../src/standins/object-store/site'
import { objectStoreStandIn } from '../../src/standins/object-store/store'
import { cell, makeJob, openContent, openPublish, saved, sheet, visit } from './screen'

const PASSWORD = 'nine swallows over a barn'
const root = mkdtempSync(path.join(tmpdir(), 'instant-fit-client-'))
const seen = path.join(root, 'public_html')
const servers: (Server | WebServer | NetServer)[] = []
let port = 0
let origin = ''

const listening = (server: Server | WebServer | NetServer): Promise<number> => {
  servers.push(server)
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)))
}
test.beforeAll(async () => {
  mkdirSync(seen)
  const account = { user: 'client', password: PASSWORD }
  port = await listening(sftpStandIn({ hostKey: ssh2.utils.generateKeyPairSync('ed25519').private, account, folder: root }))
  origin = `http://127.0.0.1:${await listening(webStandIn(seen))}`
})
test.afterAll(() => servers.forEach((server) => server.close()))

/** A line to a port that carries so many bytes a second. */
const slowed = (to: number, bytesASecond: number): Promise<number> =>
  listening(
    createServer((ours) => {
      const theirs = connect(to, '127.0.0.1')
      ours.on('error', () => theirs.destroy()).on('close', () => theirs.destroy())
      theirs.on('error', () => ours.destroy()).pipe(ours)
      ours.on('data', (data: Buffer) => {
        theirs.write(data)
        ours.pause()
        setTimeout(() => ours.resume(), (data.length / bytesASecond) * 1000)
      })
    }),
  )

const step = (page: Page, name: string): Locator =>
  page
    .getByRole('list', { name: 'Steps of the connection' })
    .getByRole('listitem')
    .filter({ hasText: new RegExp(`^.${name}`) })

async function tell(page: Page, { at = port, password = PASSWORD, folder = 'public_html', address = origin } = {}): Promise<void> {
  await page.getByLabel('Visitors find it at').fill(address)
  await page.getByLabel('Server', { exact: true }).fill('127.0.0.1')
  await page.getByLabel('Port').fill(String(at))
  await page.getByLabel('User name').fill('client')
  await page.getByLabel('Folder that visitors see').fill(folder)
  await page.getByRole('textbox', { name: 'Password' }).fill(password)
  await page.getByRole('button', { name: 'Test the connection' }).click()
}

async function publish(page: Page): Promise<void> {
  const button = page.getByRole('button', { name: /^Publish/ })
  await expect(button).toBeEnabled()
  await button.click()
  await expect(page.getByText(/Live\. \d+ files? sent/)).toBeVisible()
}

test('a connection is tested step by step: the first that fails says what came back and what to do, the rest is not reached', async ({
  page,
}) => {
  const job = await makeJob({ name: 'Tested' })
  await visit(page, `/jobs/${job}/publish?to=new`)
  // What is missing or cannot be is said before anything is tried.
  await page.getByRole('button', { name: 'Test the connection' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'The name of the server is missing' })).toBeVisible()
  await page.getByLabel('A folder on this machine').check()
  await page.getByLabel('Visitors find it at').fill(origin)
  await page.getByLabel('Folder', { exact: true }).fill('../elsewhere')
  await page.getByRole('button', { name: 'Test the connection' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'A folder is written as names with a slash between them' })).toBeVisible()
  await page.getByLabel('A server, by SFTP').check()
  await tell(page, { at: 1 })
  await expect(step(page, 'port')).toContainText('refused the connection')
  await expect(step(page, 'port')).toContainText('SFTP is mostly on port 22')
  await expect(step(page, 'login')).toContainText('not reached')
  const post = createServer((socket) => socket.on('error', () => socket.destroy()).end('220 post.example ESMTP\r\n'))
  await tell(page, { at: await listening(post) })
  await expect(step(page, 'greeting')).toContainText(/220 post\.example.*not SSH/)
  const ftpPort = await listening(ftpStandIn({ account: { user: 'client', password: PASSWORD }, folder: root }))
  await tell(page, { at: ftpPort })
  await expect(step(page, 'greeting')).toContainText('This is an FTP server')
  await tell(page, { password: 'not it' })
  await expect(step(page, 'login')).toContainText('do not fit')
  await expect(step(page, 'write')).toContainText('not reached')
  await expect(page.getByRole('button', { name: 'Add it' })).toHaveCount(0)
  await tell(page, { folder: 'elsewhere' })
  await expect(step(page, 'folder')).toContainText('public_html, htdocs')
  // The login may write beside what visitors see: the file is written, not found, and taken away again.
  await tell(page, { folder: '' })
  await expect(step(page, 'read back')).toContainText('answered with status 404')
  await expect.poll(() => readdirSync(root)).toEqual(['public_html'])
  await expect(page.getByText('The login works, so the destination can be added')).toBeVisible()
})

test('a site goes to a client’s server by SFTP, again with what changed alone, and back; what is not ours is never touched', async ({
  page,
  context,
}) => {
  writeFileSync(path.join(seen, 'index.html'), 'Welcome from your host')
  mkdirSync(path.join(seen, 'stats'))
  writeFileSync(path.join(seen, 'stats', 'log.txt'), 'counts')
  const job = await makeJob({ name: 'Goes Out' })
  await openPublish(page, job)
  await page.getByRole('link', { name: 'Add a server, a store, a folder or a zip' }).click()
  await page.getByLabel('What you call it').fill('The client’s server')
  await tell(page)
  await expect(step(page, 'read back')).toContainText(`Visitors get it at ${origin}`)
  await page.getByRole('button', { name: 'Add it' }).click()

  // The host’s own page stands where the home page goes.
  const alert = page.getByRole('alert').filter({ hasText: '1 file that is not this site’s stands where its own go' })
  await expect(alert).toBeVisible()
  await expect(page.getByRole('button', { name: /^Publish/ })).toBeDisabled()
  expect(readFileSync(path.join(seen, 'index.html'), 'utf8')).toBe('Welcome from your host')
  await alert.getByRole('button', { name: 'Replace it when publishing' }).click()
  await expect(alert).toBeHidden()
  await expect(page.getByText('Not ours, and left alone: 1 file')).toBeVisible()
  await publish(page)
  await expect(page.getByText(/✓ Visitors get all \d+ files as they were sent/)).toBeVisible()
  const visitor = await context.newPage()
  await visitor.goto(origin)
  const heading = (await visitor.getByRole('heading', { level: 1 }).textContent()) ?? ''
  expect(heading.length).toBeGreaterThan(3)
  await expect(visitor.locator('link[rel="canonical"]')).toHaveAttribute('href', `${origin}/`)
  const url = page.url()

  await openContent(page, job)
  await cell(page, 'Hero: Heading').fill('Chairs, mended')
  await expect(sheet(page, 'desktop').getByRole('heading', { level: 1 })).toHaveText('Chairs, mended')
  await saved(page)
  await page.goto(url)
  // The home page; at midnight the day in the sitemap too.
  await expect(page.getByText(/^Changed: (?:1 file|2 files)$/)).toBeVisible()
  await publish(page)
  await expect(page.getByText(/Live\. (?:1 file|2 files) sent/)).toBeVisible()
  await visitor.reload()
  await expect(visitor.getByRole('heading', { level: 1 })).toHaveText('Chairs, mended')

  await page.getByRole('button', { name: 'Make release 1 live…' }).click()
  await page.getByRole('button', { name: 'Make No. 1 live' }).click()
  await expect(page.getByText('The earlier release is live again.')).toBeVisible()
  await visitor.reload()
  await expect(visitor.getByRole('heading', { level: 1 })).toHaveText(heading)
  expect(readFileSync(path.join(seen, 'stats', 'log.txt'), 'utf8')).toBe('counts')
  expect(existsSync(path.join(seen, '.site-waiting'))).toBe(false)

  // The secret is nowhere on the screen, and is not asked for again.
  await page.getByRole('button', { name: 'Test the connection' }).click()
  await expect(step(page, 'host key')).toContainText('the key that is remembered')
  await expect(step(page, 'remove')).toContainText('gone again')
  expect(await page.content()).not.toContain(PASSWORD)
  // It is changed: what is kept goes to no other server, and need not be typed again for this one.
  await page.getByRole('link', { name: 'Change…' }).click()
  const form = page.getByRole('form', { name: 'Change “The client’s server”' })
  await expect(form.getByLabel('User name')).toHaveValue('client')
  await expect(form.getByRole('textbox', { name: 'Password' })).toHaveValue('')
  await form.getByLabel('Server', { exact: true }).fill('localhost')
  await form.getByRole('button', { name: 'Test the connection' }).click()
  await expect(form.getByRole('alert')).toContainText('Type the password or key again')
  await form.getByLabel('Server', { exact: true }).fill('127.0.0.1')
  await form.getByLabel('What you call it').fill('Their own server')
  await form.getByRole('button', { name: 'Test the connection' }).click()
  await expect(step(page, 'remove')).toContainText('gone again')
  await form.getByRole('button', { name: 'Keep the changes' }).click()
  await expect(page.getByRole('region', { name: 'Their own server' })).toBeVisible()
  await expect(page.getByText(/^No\. 1 live$/)).toBeVisible()
  await page.getByRole('button', { name: 'Remove…' }).click()
  await page.getByRole('button', { name: 'Remove “Their own server”' }).click()
  await expect(page.getByRole('navigation', { name: 'Destinations' }).getByRole('listitem')).toHaveCount(1)
  expect((await visitor.reload())?.status()).toBe(200)
})

test('a site goes by FTP to a server whose certificate is trusted by hand, and to an object store; each has its own live state', async ({
  page,
  context,
}) => {
  const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-ftp-'))
  mkdirSync(path.join(folder, 'public_html'))
  const account = { user: 'client', password: PASSWORD }
  const ftpPort = await listening(ftpStandIn({ account, folder, tls: await selfSigned('127.0.0.1', 30) }))
  const ftpOrigin = `http://127.0.0.1:${await listening(webStandIn(path.join(folder, 'public_html')))}`
  const key = { id: 'CLIENT-KEY', secret: 'a secret of it' }
  const stored = mkdtempSync(path.join(tmpdir(), 'instant-fit-bucket-'))
  const storePort = await listening(objectStoreStandIn({ folder: stored, bucket: 'client-site', key }))
  const storeOrigin = `http://127.0.0.1:${await listening(siteOfBucket(() => `http://127.0.0.1:${storePort}`, 'client-site'))}`

  const job = await makeJob({ name: 'Goes Everywhere' })
  await openPublish(page, job)
  await page.getByRole('link', { name: 'Add a server, a store, a folder or a zip' }).click()
  await page.getByLabel('A server, by FTP').check()
  await expect(page.getByLabel('Port')).toHaveValue('21')
  // The port of SFTP, by mistake: what is said there tells which it is.
  await tell(page, { address: ftpOrigin })
  await expect(step(page, 'greeting')).toContainText('choose SFTP above')
  await tell(page, { address: ftpOrigin, at: ftpPort })
  await expect(step(page, 'certificate')).toContainText('the server has signed it itself')
  await expect(step(page, 'login')).toContainText('not reached')
  await expect(page.getByRole('button', { name: 'Add it' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Trust this certificate, and test again' }).click()
  await expect(step(page, 'certificate')).toContainText('the certificate that you trust')
  await expect(step(page, 'remove')).toContainText('gone again')
  // What was trusted was that server’s: another one is asked for its own.
  await page.getByLabel('Server', { exact: true }).fill('localhost')
  await page.getByRole('button', { name: 'Test the connection' }).click()
  await expect(step(page, 'certificate')).toContainText('is not to be trusted by itself')
  await page.getByLabel('Server', { exact: true }).fill('127.0.0.1')
  await page.getByRole('button', { name: 'Test the connection' }).click()
  await page.getByRole('button', { name: 'Trust this certificate, and test again' }).click()
  await page.getByRole('button', { name: 'Add it' }).click()
  await publish(page)
  const visitor = await context.newPage()
  await visitor.goto(ftpOrigin)
  const heading = (await visitor.getByRole('heading', { level: 1 }).textContent()) ?? ''
  expect(heading.length).toBeGreaterThan(3)

  await page.getByRole('link', { name: 'Add a server, a store, a folder or a zip' }).click()
  await page.getByLabel('An object store (S3)').check()
  await page.getByLabel('Visitors find it at').fill(storeOrigin)
  await page.getByLabel('Server', { exact: true }).fill('127.0.0.1')
  await page.getByLabel('Port').fill(String(storePort))
  await page.getByLabel('Encrypted (TLS)').uncheck()
  await page.getByLabel('Bucket', { exact: true }).fill('client-site')
  await page.getByLabel('Region').fill('eu-central-1')
  await page.getByLabel('ID of the key').fill(key.id)
  await page.getByLabel('Secret of the key').fill('not the secret')
  await page.getByRole('button', { name: 'Test the connection' }).click()
  await expect(step(page, 'login')).toContainText('Copy the ID and the secret of the key anew')
  await page.getByLabel('Secret of the key').fill(key.secret)
  await page.getByRole('button', { name: 'Test the connection' }).click()
  await expect(step(page, 'remove')).toContainText('gone again')
  await page.getByRole('button', { name: 'Add it' }).click()
  await publish(page)
  await visitor.goto(storeOrigin)
  await expect(visitor.getByRole('heading', { level: 1 })).toHaveText(heading)
  await expect(visitor.locator('link[rel="canonical"]')).toHaveAttribute('href', `${storeOrigin}/`)
  const places = page.getByRole('navigation', { name: 'Destinations' }).getByRole('listitem')
  await expect(places).toHaveCount(3)
  await expect(places.filter({ hasText: /No\. \d live/ })).toHaveCount(2)
  expect(await page.content()).not.toContain(key.secret)
})

test('publishing over a slow line says how far it is and how long it takes, is stopped, and goes through the next time', async ({
  page,
}) => {
  const files = path.join(root, 'slow')
  mkdirSync(files)
  const job = await makeJob({ name: 'Slow Line' })
  await visit(page, `/jobs/${job}/publish?to=new`)
  const slowPort = await slowed(port, 300_000)
  await tell(page, { at: slowPort, folder: 'slow' })
  // Nobody serves that folder: it can be added all the same.
  await expect(step(page, 'read back')).toContainText('404')
  await page.getByRole('button', { name: 'Add it' }).click()
  const publishing = page.getByRole('button', { name: /^Publish/ })
  await expect(publishing).toBeEnabled()
  await publishing.click()
  const status = page.getByRole('status').filter({ hasText: 'Sending files' })
  await expect(status).toContainText(/, \d+ of \d+ · [\d.]+ (?:kB|MB) of [\d.]+ MB · (?:about \d+ seconds|a few seconds) left/)
  await page.getByRole('button', { name: 'Stop' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Stopped. Visitors see what they saw before.' })).toBeVisible()
  expect(existsSync(path.join(files, 'index.html'))).toBe(false)
  await publish(page)
  expect(existsSync(path.join(files, 'index.html'))).toBe(true)
  expect(existsSync(path.join(files, '.site-waiting'))).toBe(false)
  // Nobody serves the folder: that is what is said of it.
  const unseen = page.getByRole('alert').filter({ hasText: /\d+ of \d+ files do not reach visitors as sent/ })
  await expect(unseen).toContainText('index.html')
})

test('a site goes into a zip that somebody puts up by hand', async ({ page }) => {
  const job = await makeJob({ name: 'Put Up By Hand' })
  await openPublish(page, job)
  await page.getByRole('link', { name: 'Add a server, a store, a folder or a zip' }).click()
  await page.getByLabel('A zip, put up by hand').check()
  await page.getByLabel('What you call it').fill('For the agency')
  await page.getByLabel('Visitors find it at').fill('https://put-up-by-hand.example')
  await page.getByLabel('Name of the zip').fill('clients/by-hand')
  await page.getByRole('button', { name: 'Test the connection' }).click()
  await expect(step(page, 'remove')).toContainText('gone again')
  await page.getByRole('button', { name: 'Add it' }).click()
  const button = page.getByRole('button', { name: /^Publish/ })
  await expect(button).toBeEnabled()
  await button.click()
  await expect(page.getByText('The zip is ready. Visitors see it once somebody has put it up.')).toBeVisible()
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Download zip of No. 1' }).click()])
  expect(download.suggestedFilename()).toBe('by-hand.zip')
  const names = Object.keys(unzipSync(readFileSync(await download.path())))
  expect(names).toEqual(expect.arrayContaining(['index.html', 'sitemap.xml', '404.html']))
  expect(names.filter((name) => name.startsWith('.'))).toEqual([])
})
