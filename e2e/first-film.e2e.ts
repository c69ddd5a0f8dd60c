import { address, expect, test } from './stack.ts'
import { newEpisode, newEpisodeByHand, prepared, smallRender } from './steps.ts'

const SCRIPT = '# Bread\nBread dough rises because of yeast. It eats sugar and breathes out gas.'

/** What a check may find, of scene 2. */
const WRONG = JSON.stringify({
  check: 'black',
  grade: 'wrong',
  says: 'The picture is black for 2 s.',
  seconds: 3,
  scene: 2,
  sceneId: 's2',
})

test('a pasted script becomes a film that can be downloaded', async ({ page, request }) => {
  await newEpisodeByHand(page, 'Why bread rises', SCRIPT)
  await expect(page.getByLabel('Length of the script')).toContainText('2')
  await prepared(page, 2)
  const first = page.getByRole('row', { name: /^Scene 1:/ })
  await expect(first.getByRole('img').first()).toBeVisible({ timeout: 60_000 })
  const before = await first.getByRole('img').first().getAttribute('alt')
  await page.getByLabel('Pictures for this scene').locator('.pick').nth(1).click()
  await expect(first.getByRole('img').first()).not.toHaveAttribute('alt', before!)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
  await smallRender(page)
  // The button that was pressed is grey meanwhile: the keyboard stands on what can be pressed next.
  await expect(page.getByRole('button', { name: 'Stop' })).toBeFocused()
  const film = page.getByRole('link', { name: 'Film', exact: true })
  await expect(film).toBeVisible({ timeout: 150_000 })
  const answer = await request.get(new URL((await film.getAttribute('href'))!, address()).href)
  expect((await answer.body()).subarray(4, 8).toString('latin1')).toBe('ftyp')
  await expect(page.getByText(/^Checked: /)).toBeVisible()

  await page.getByRole('button', { name: 'Another kind of file' }).click()
  const copies = page.getByRole('region', { name: 'Other kinds of file' })
  await copies.locator('.el-select').first().click()
  await page.getByRole('option', { name: 'Sound, MP3' }).click()
  await copies.getByRole('button', { name: 'Make it' }).click()
  const sound = copies.getByRole('link', { name: 'Sound, MP3' })
  await expect(sound).toBeVisible({ timeout: 30_000 })
  const heard = await request.get(new URL((await sound.getAttribute('href'))!, address()).href)
  // The tag an MP3 begins with (ID3v2, 3.1).
  expect((await heard.body()).subarray(0, 3).toString('latin1')).toBe('ID3')
  await copies.getByRole('button', { name: 'Remove: Sound, MP3' }).click()
  await expect(sound).toHaveCount(0)

  // The same film as it would be told of had its check found something wrong.
  await page.route(/api[/]episodes[/][^/]+$/, async (route) => {
    const told = await (await route.fetch()).text()
    await route.fulfill({ body: told.replace(/"check":\[.*?\](?=[,}])/, `"check":[${WRONG}]`) })
  })
  const reasons: unknown[] = []
  await page.route(/renders[/][^/]+[/]taken$/, async (route) => {
    reasons.push(route.request().postDataJSON())
    await route.fallback()
  })
  await page.reload()
  await expect(page.getByText('This film failed its check: 1 thing to see to.')).toBeVisible()
  await expect(film).toHaveCount(0)
  const found = page.getByRole('region', { name: 'What the check found' })
  await expect(found.getByRole('listitem')).toContainText('The picture is black for 2 s.')
  await expect(page.getByRole('button', { name: 'Take it anyway' })).toBeDisabled()
  await page.getByLabel('Why it is taken all the same').fill('It is meant so.')
  await page.keyboard.press('Enter')
  await expect.poll(() => reasons).toEqual([{ reason: 'It is meant so.' }])
  await found.getByRole('link', { name: 'scene 2 in the Sheet' }).click()
  await expect(page.getByRole('row', { name: /^Scene 2:/ })).toBeVisible()
})

test('a deleted episode comes back with Undo, and edits survive a reload', async ({ page }) => {
  await newEpisode(page, 'To be deleted', 'The lamp burns. [pictu')
  await page.waitForTimeout(1200)
  await page.reload()
  await expect(page.getByLabel('Script', { exact: true })).toHaveText('The lamp burns. [pictu')
  await page.goto(address())
  await page.getByRole('button', { name: 'Delete To be deleted' }).click()
  await expect(page.getByRole('link', { name: /To be deleted/ })).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Undo' })).toBeFocused()
  await page.keyboard.press('Enter')
  const line = page.getByRole('link', { name: /To be deleted/ })
  await expect(line).toBeFocused()

  // Renamed, made twice, put away, found: by keyboard too.
  await page.getByRole('button', { name: 'Rename To be deleted' }).press('Enter')
  await page.keyboard.type('To be kept')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('link', { name: /To be kept/ })).toHaveCount(1)
  await page.getByRole('button', { name: 'Duplicate To be kept' }).click()
  await page.getByRole('button', { name: 'Put away To be kept', exact: true }).click()
  await page.getByLabel('Search titles').fill('KEPT be')
  await expect(page.getByRole('link', { name: /To be kept, a copy/ })).toHaveCount(1)
  await expect(page.getByRole('link', { name: /To be kept/ })).toHaveCount(1)
  await page.getByRole('button', { name: /^Archive/ }).click()
  await expect(page.getByRole('link', { name: /To be kept/ })).toHaveCount(1)
})

test('a long list is all there, and the way back leads to where one left it', async ({
  page,
  request,
}) => {
  for (let i = 1; i <= 90; i++)
    await request.post(new URL('/api/episodes', address()).href, {
      data: { title: `A long list, part ${i}` },
      headers: { origin: address() },
    })
  await page.goto(address())
  const links = page.getByRole('link', { name: /A long list, part/ })
  await expect(links).toHaveCount(90)
  const line = page.getByRole('link', { name: /A long list, part 12 / })
  await line.click()
  await expect(page.getByRole('main', { name: /part 12: Script/ })).toBeFocused()
  await page.goBack()
  await expect(line).toBeFocused()
  await expect(line).toBeInViewport()
})
