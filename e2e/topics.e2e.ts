import { address, expect, test } from './stack.ts'
import { idOf, viewOf } from './steps.ts'

const SOURCE = `# The lamp

The lamp was lit in 1822 by a baker of the town. It burned whale oil for fifty years. Nobody remembers his name today.

# The tower

The tower still stands on its rock above the sea. Every night its light turns over the water and finds no ship. You can hear the sea in its stairs, but you never see it.

Stone after stone was cut on land and numbered there. A hundred men worked in the few hours between two tides. The sea took their tools eleven times.`

test('a subject is found, becomes an idea, an episode, and a draft that keeps its sources', async ({
  page,
}) => {
  await page.goto(`${address()}/topics`)
  const harbour = page.getByRole('listitem').filter({ hasText: 'Harbour Light' })
  await harbour.getByRole('button', { name: 'Follow' }).click()
  await expect(harbour.first()).toContainText('yours 48 films')
  await page.getByLabel('A list of films').setInputFiles({
    name: 'Ebb list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'title,published,views\nThe Lighthouse Nobody Lit,2026-05-01,5000\nBroken,soon,1',
    ),
  })
  await expect(
    page.getByText(
      '1 film from “Ebb list.csv”. Left out: 1 row, the first because in row 2 "soon" is no date.',
    ),
  ).toBeVisible()
  await page
    .getByLabel('A list of films')
    .setInputFiles({ name: 'bad.csv', mimeType: 'text/csv', buffer: Buffer.from('nothing here') })
  await expect(page.getByRole('alert')).toContainText('columns cannot be told apart')
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await page
    .getByRole('button', { name: /lighthouse/ })
    .first()
    .click()
  await page.getByRole('button', { name: 'Note an idea on it' }).click()
  await page.getByLabel('Title of a new idea').fill('Who lit the lamp')
  await page.getByRole('button', { name: 'Note it' }).click()
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Who lit the lamp' })
    .getByRole('button', { name: 'Begin the episode' })
    .click()
  await expect(page).toHaveURL(/script/)
  const id = idOf(page)
  expect((await viewOf(page.request, id)).document.notes).toContain('Films that did well:')

  await page.getByRole('button', { name: 'Write from sources' }).click()
  await page.getByLabel('Must be in it, a line each').fill('who lit the lamp')
  await page.getByLabel('Text of a source').fill(SOURCE)
  await page.getByRole('button', { name: 'Add the text' }).click()
  await page.getByLabel('Minutes', { exact: true }).fill('1')
  await page.getByLabel('Minutes', { exact: true }).press('Enter')
  await page.getByRole('button', { name: 'Make an outline' }).click()
  await expect(page.getByLabel('Title of chapter 1')).toHaveValue('Who lit the lamp')
  await page.getByLabel('Title of chapter 1').fill('Stone on stone')
  await page.getByLabel('Title of chapter 1').press('Enter')
  await page.getByRole('button', { name: 'Write the draft' }).click()
  await expect(page.getByText('put it into your own words')).toBeVisible()
  await page.reload()
  await page.getByRole('button', { name: 'Write from sources' }).click()
  await page.locator('.said', { hasText: '1822' }).click()
  await expect(page.locator('.from')).toContainText(
    'The lamp The lamp was lit in 1822 by a baker of the town.',
  )
  await page.getByRole('button', { name: 'Take it' }).click()
  await expect
    .poll(async () => (await viewOf(page.request, id)).document.script)
    .toContain('# Stone on stone')
  await page.getByRole('tab', { name: 'Claims' }).click()
  await expect(
    page.getByRole('listitem').filter({ hasText: 'It' }).filter({ hasText: '1822' }).first(),
  ).toContainText('from your source “The lamp”')
})
