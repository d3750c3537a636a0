import { expect, test } from './test'
import { axeFaults } from './axe'
import { choose, askHost, makeJob, openPublish, saved, siteUrl, takeAddress, visit } from './screen'

test('what others show of a page is drawn as it is typed; a page that is not to be found says so, and the site is verified', async ({
  page,
}) => {
  const job = await makeJob({ name: 'Seen By Others' })
  await visit(page, `/jobs/${job}/pages`)
  await choose(page, 'Finding', 'Search & share')
  await expect(page.getByRole('heading', { name: 'How this page is found' })).toBeFocused()
  const drawn = page.getByRole('group', { name: 'As others show it' })
  const result = drawn.getByRole('figure').filter({ hasText: 'In a list of results' })
  await expect(drawn.getByRole('img', { name: 'The picture that goes along' })).toBeVisible()

  const title = page.getByRole('textbox', { name: 'Title for those who search' })
  await title.fill('Chairs that are sat in')
  await title.press('Enter')
  await expect(result).toContainText('Chairs that are sat in')
  await expect(result).not.toContainText('title cut')
  const long = 'Chairs that are sat in, benches that are slept on, and tables for everything else that a house is there for'
  await title.fill(long)
  await title.press('Enter')
  await expect(result).toContainText(/title cut:\s*\d+ %/)
  await expect(result).toContainText(/benches that are slept .*…/)
  expect(await axeFaults(page)).toEqual([])

  // Tags and files by which a service knows the site as the client's.
  const tag = page.getByRole('textbox', { name: 'A verification tag' })
  await tag.fill('a-site-check=abc')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('That is no tag with a name and a content.')).toBeVisible()
  await tag.fill('<meta content="abc-123" name="a-site-check" />')
  await tag.press('Enter')
  const list = page.getByRole('list', { name: 'Verifications' })
  await expect(list).toContainText('a-site-check: abc-123')
  const file = page.getByLabel('Verification file')
  await file.setInputFiles({ name: 'check-abc.html', mimeType: 'text/html', buffer: Buffer.from('<script>steal()</script>') })
  await expect(page.getByText('There is more in that file than words')).toBeVisible()
  await file.setInputFiles({ name: 'check-abc.html', mimeType: 'text/html', buffer: Buffer.from('check: abc-123') })
  await expect(list).toContainText('/check-abc.html')
  await saved(page)

  await page.getByRole('row', { name: /^About/ }).click()
  const found = page.getByRole('checkbox', { name: /^Those who search may find it/ })
  await found.uncheck()
  await expect(drawn).toContainText('Those who search are not shown this page.')
  await saved(page)

  await openPublish(page, job)
  await takeAddress(page, 'found-and-shared')
  const publish = page.getByRole('button', { name: /^Publish with \d+ leftovers$/ })
  await expect(publish).toBeEnabled()
  await publish.click()
  await expect(page.getByText(/✓ Live\./)).toBeVisible()
  const get = async (path: string): Promise<string> => (await askHost(siteUrl('found-and-shared'), path)).text
  expect(await get('/')).toContain('<meta name="a-site-check" content="abc-123">')
  expect(await get('/')).not.toContain('noindex')
  expect(await get('/about/')).toContain('<meta name="robots" content="noindex">')
  expect(await get('/check-abc.html')).toBe('check: abc-123')
  const map = await get('/sitemap.xml')
  expect(map).not.toContain('/about/')
  expect(map).toContain('<image:loc>')
})
