import { expect, test, type Locator } from './test'
import { cell, makeJob, openContent, saved, sheet } from './screen'

test('what is nearly a leftover is counted, shown in its sentence, put right by a chip or kept as it is, each one undoable', async ({
  page,
}) => {
  await openContent(page, await makeJob({ name: 'Hollin', facts: { phone: '01904 610000', email: 'ring@hollin.co.uk' } }))
  const open = page.getByRole('button', { name: /^To check/ })
  await expect(open).toBeHidden()
  await cell(page, 'Hero: Heading').fill('Lorem ipsum dolor sit amet')
  await cell(page, 'Hero: Lead').fill('Ring 01904 610 000 or write to someone@example.com.')
  await expect(open).toHaveText('To check 3')
  await page.keyboard.press('Alt+l')
  const panel = page.getByRole('region', { name: 'To check' })
  await expect(panel.getByRole('heading')).toBeFocused()
  const rows = panel.getByRole('listitem')
  await expect(rows).toHaveCount(3)
  await panel.getByRole('button', { name: 'Facts as words 1' }).click()
  await expect(rows).toHaveText([/Ring 01904 610 000 or write to someone@example\.com\./])
  await rows.getByRole('button', { name: 'Use the fact' }).click()
  const lead = sheet(page, 'phone').locator('.hero-bench .lead')
  await expect(lead.getByRole('link', { name: '01904 610000' })).toHaveAttribute('href', 'tel:+441904610000')
  await expect(panel.getByRole('status')).toHaveText('Nothing here looks like anybody’s but the client’s.')
  await panel.getByRole('button', { name: /^All/ }).click()
  await panel.getByRole('button', { name: 'Keep as it is: someone@example.com' }).click()
  await expect(rows).toHaveText([/Lorem ipsum/])
  // What was done is said below the line of keys, not over it.
  const hints = page.getByText('all keys')
  await expect(hints).toBeVisible()
  await expect.poll(() => gapBetween(hints, page.locator('.notice'))).toBeGreaterThan(-1)
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click()
  await expect(rows).toHaveCount(2)
  await rows.first().getByRole('button').first().click()
  await panel.getByRole('button', { name: 'Close' }).click()
  await expect(cell(page, 'Hero: Heading')).toBeFocused()
  await cell(page, 'Hero: Heading').fill('A chair is worth mending')
  await expect(open).toHaveText('To check 1')
  await saved(page)
})

/** From the foot of one to the head of the other, in px: less than nothing where they lie over one another. */
async function gapBetween(upper: Locator, lower: Locator): Promise<number> {
  const [above, below] = await Promise.all([upper.boundingBox(), lower.boundingBox()])
  if (!above || !below) throw new Error('One of them is not to be seen')
  return below.y - above.y - above.height
}
