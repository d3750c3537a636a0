import { readFileSync, statSync } from 'node:fs'
import { expect, test } from './test'
import { unzipSync } from 'fflate'
import { axeFaults } from './axe'
import { cell, makeJob, openContent, openPublish, saved, unfold, visit } from './screen'

test('a job is handed over as one zip and read in again; what is none is refused with what is wrong', async ({ page }) => {
  const job = await makeJob({ name: 'Handed Over' })
  await openContent(page, job)
  await cell(page, 'Hero: Heading').fill('Chairs that are sat in')
  await saved(page)
  await openPublish(page, job)

  const handover = await unfold(page, 'Handover')
  await expect(handover).toContainText('the site itself once it is live')
  const [sheet] = await Promise.all([page.waitForEvent('popup'), handover.getByRole('link', { name: 'Read the care sheet' }).click()])
  await expect(sheet.getByRole('heading', { name: 'Care sheet: Handed Over' })).toBeVisible()
  // Nothing runs on the sheet itself, a checker neither.
  const copy = await page.context().newPage()
  await copy.setContent(await sheet.content())
  expect(await axeFaults(copy)).toEqual([])
  await Promise.all([copy.close(), sheet.close()])

  await handover.getByRole('checkbox', { name: 'With its whole history' }).check()
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    handover.getByRole('link', { name: 'Download handover (zip)' }).click(),
  ])
  expect(download.suggestedFilename()).toBe('handed-over-handover.zip')
  const zip = await download.path()
  expect(Object.keys(unzipSync(readFileSync(zip)))).toEqual(expect.arrayContaining(['care-sheet.html', 'project/project.json']))

  await visit(page, '/')
  const input = page.getByLabel('Handover')
  await input.setInputFiles({ name: 'prices.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.7') })
  await expect(page.getByText('“prices.pdf” cannot be imported: it is not a whole zip file.')).toBeVisible()
  // On a slow line it says how far it is.
  const line = await page.context().newCDPSession(page)
  const slow = { offline: false, latency: 0, downloadThroughput: -1, uploadThroughput: Math.max(50_000, statSync(zip).size / 3) }
  await line.send('Network.emulateNetworkConditions', slow)
  await input.setInputFiles({ name: 'handed-over-handover.zip', mimeType: 'application/zip', buffer: readFileSync(zip) })
  await expect(page.getByRole('button', { name: /^Sending it: [1-9]\d? %$/ })).toBeVisible()
  await expect(page).toHaveURL(/\/jobs\/[\w-]+\/content$/)
  await expect(page.getByText('The job of Handed Over is here already, so this is a second job beside it.')).toBeVisible()
  expect(page.url()).not.toContain(job)
  await expect(cell(page, 'Hero: Heading')).toHaveText('Chairs that are sat in')
})
