import { expect, test } from './test'
import { axeFaults } from './axe'
import { makeJob, openPublish, takeAddress, unfold } from './screen'

test('search engines are told of what went live, tried again while they are away, and told nothing where that is chosen', async ({
  page,
  ownRig,
}) => {
  const { app } = ownRig
  const job = await makeJob({ name: 'Told Of' }, app)
  await openPublish(page, job, app)
  await takeAddress(page, 'told-of')
  const publish = page.getByRole('button', { name: /^Publish with \d+ leftovers$/ })
  await expect(publish).toBeEnabled()
  await publish.click()
  await expect(page.getByText(/✓ Live\./)).toBeVisible()

  const engines = await unfold(page, 'Search engines')
  await expect(engines).toContainText(/Not told of \d+ pages yet: it does not answer\. It is tried again by itself\./)
  const engine = await ownRig.startEngine()
  await expect(engines).toContainText(/✓ Told of \d+ pages, /)
  expect(await axeFaults(page)).toEqual([])
  expect(await (await fetch(engine)).text()).toContain(`${ownRig.siteUrl('told-of')}/about/`)

  const kept = page.waitForResponse((response) => response.request().method() === 'PUT' && response.ok())
  await engines.getByRole('checkbox', { name: /^Tell them which pages changed/ }).uncheck()
  await kept
  await page.reload()
  await unfold(page, 'Search engines')
  await expect(engines.getByRole('checkbox', { name: /^Tell them which pages changed/ })).not.toBeChecked()
})
