import { address, expect, test } from './stack.ts'
import { idOf, newEpisode, viewOf } from './steps.ts'

const script = (page: Parameters<typeof idOf>[0]) => page.getByLabel('Script', { exact: true })

test('two tabs write in one script: no word of either is lost, and what both changed is settled', async ({
  page,
  context,
}) => {
  await newEpisode(page, 'Two tabs', 'The lamp burns. It turns all night.')
  const id = idOf(page)
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(script(other)).toHaveText('The lamp burns. It turns all night.')
  const saved = async () => (await viewOf(page.request, id)).document.script

  await script(other).click()
  await other.keyboard.press('Control+End')
  await other.keyboard.type(' A gull cries.')
  await page.waitForTimeout(100)
  await script(page).click()
  await page.keyboard.press('Control+Home')
  await page.keyboard.type('Here is a tower. ')
  const both = 'Here is a tower. The lamp burns. It turns all night. A gull cries.'
  await expect.poll(saved).toBe(both)
  for (const tab of [page, other]) await expect(script(tab)).toHaveText(both)
  // Where a person writes, the cursor stays.
  await page.keyboard.type('Tall. ')
  await expect.poll(saved).toContain('Here is a tower. Tall. The lamp')

  await context.setOffline(true)
  const line = 'Here is a tower. Tall. The lamp burns. It turns all night. A gull cries.'
  await script(page).fill(line.replace('all night', 'till dawn'))
  await script(other).fill(line.replace('all night', 'for an hour'))
  await expect(page.getByText('Not saved yet, trying again')).toBeVisible()
  await expect(other.getByText('Not saved yet, trying again')).toBeVisible()
  await context.setOffline(false)
  for (const tab of [page, other]) {
    const told = tab.getByRole('alert', { name: 'Sentences that two people changed at once' })
    await expect(told).toContainText('It turns till dawn.')
    await expect(told).toContainText('It turns for an hour.')
    await expect(script(tab).locator('.cm-version')).toHaveCount(2)
  }
  const first = (await saved()).includes('till dawn.\nIt turns for') ? 'first' : 'second'
  await page.getByRole('button', { name: `Keep the ${first}` }).click()
  await expect.poll(saved).toBe(line.replace('all night', 'till dawn'))
  await expect(other.getByRole('alert')).toHaveCount(0)
  await expect(script(other)).toHaveText(line.replace('all night', 'till dawn'))
})

test('what is pressed many times is done once, and what cannot be done says so', async ({
  page,
  context,
}) => {
  await page.goto(address())
  await page.getByRole('button', { name: 'New episode' }).first().click()
  const title = page.getByLabel('Title, as a viewer would read it')
  await expect(title).toBeFocused()
  await page.keyboard.type('Pressed three times')
  await context.setOffline(true)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('does not answer')
  await context.setOffline(false)
  for (let n = 0; n < 3; n++) await page.keyboard.press('Enter')
  await expect(script(page)).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('link', { name: /Pressed three times/ })).toHaveCount(1)
})
