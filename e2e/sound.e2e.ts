import type { SceneTakeView } from '@tidy-reel/core/views/episode'
import { newEpisode, idOf, prepared, viewOf } from './steps.ts'
import { address, expect, test } from './stack.ts'

const SCRIPT = '# The light\n\nThe lamp was lit in 1822.\n\nKEEPER: Nobody sleeps on Reed Rock.\n\nIt turns all night.'

test('voices are heard, set side by side and chosen; a speaker gets a voice of its own', async ({ page }) => {
  await newEpisode(page, 'Voices', SCRIPT)
  const id = idOf(page)
  await page.getByRole('link', { name: 'Sound' }).click()
  await expect(page.getByText('The lamp was lit in eighteen twenty-two.')).toBeVisible()
  const said = page.waitForResponse('**/api/say')
  await page.getByRole('button', { name: 'Hear Rime say this scene' }).click()
  expect((await said).status()).toBe(200)
  for (const name of ['Rime', 'Awl', 'Ridge']) await page.getByRole('listitem').filter({ has: page.getByRole('button', { name: `Hear ${name} say this scene` }) }).getByRole('button', { name: 'Compare' }).click()
  const strip = page.getByRole('region', { name: 'Voices side by side' })
  await expect(strip.getByRole('article')).toHaveCount(3)
  await strip.getByRole('article').filter({ hasText: 'Ridge' }).getByRole('button', { name: 'Use' }).click()
  await expect.poll(async () => (await viewOf(page.request, id)).document.voice).toBe('flite-rms-deep')
  await page.getByLabel('KEEPER').click()
  await page.getByRole('option', { name: 'Awl, Scottish' }).click()
  await expect.poll(async () => (await viewOf(page.request, id)).document.speaking.speakers).toEqual([{ name: 'KEEPER', voice: 'flite-awb' }])
  await expect(page.getByRole('listitem').filter({ hasText: 'Nobody sleeps' })).toContainText('Awl')
})

test('a word is said as the list asks, in the film too; a scene goes back to an earlier take', async ({ page }) => {
  await newEpisode(page, 'Words', 'The keeper lives on Reed Rock. It turns all night.')
  const id = idOf(page)
  await prepared(page, 2)
  const takeOf = async () => Object.values((await viewOf(page.request, id)).takes)[0]?.hash
  const first = await takeOf()
  await page.getByRole('link', { name: 'Sound' }).click()
  await page.getByLabel('Word', { exact: true }).fill('Reed')
  await page.getByLabel('How it is said').fill('Rayd')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('The keeper lives on Rayd Rock.')).toBeVisible()
  const earlier = async () => ((await (await page.request.get(`${address()}/api/episodes/${id}/scenes/s1/takes`)).json()) as { takes: SceneTakeView[] }).takes.map(({ hash }) => hash)
  await expect.poll(async () => (await earlier()).length, { timeout: 30_000 }).toBe(2)
  await page.getByRole('button', { name: 'Forget Reed' }).click()
  const takes = page.getByRole('region', { name: 'Voice of this scene' })
  // It is spoken anew, and so the newest again.
  await expect.poll(async () => (await earlier())[0], { timeout: 30_000 }).toBe(first)
  await expect(takes.getByRole('listitem').first()).toContainText('in the film')
  await takes.getByRole('button', { name: 'Use', exact: true }).first().click()
  await expect.poll(takeOf).not.toBe(first)
  await expect(page.getByText('chosen take')).toBeVisible()
  await takes.getByRole('button', { name: 'Let the voice speak' }).click()
  await expect.poll(takeOf).toBe(first)
})
