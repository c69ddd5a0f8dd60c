import { expect, test } from './stack.ts'
import { idOf, newEpisode, prepared, viewOf } from './steps.ts'

const CALL = "Don't forget to like and subscribe!"
const MESSY = `**[HOOK]**

**Narrator (V.O.):** Twice a day the sea comes up this river. And twice a day it leaves. (pause)

**Visual:** A mill pond at low water.

**Narrator (V.O.):** In 1822 somebody saw a free engine & nothing to pay.[1]

${CALL}`
const TIDY =
  '# HOOK\n\nTwice a day the sea comes up this river. And twice a day it leaves. [pause 1s]\n\n[picture: A mill pond at low water]\n\nIn 1822 somebody saw a free engine and nothing to pay.\n'

test('a messy script is tidied, change by change and all at once, and taken back', async ({
  page,
}) => {
  await newEpisode(page, 'The tide mill', MESSY)
  const id = idOf(page)
  const script = async () => (await viewOf(page.request, id)).document.script
  await page.getByRole('tab', { name: /Tidy/ }).click()
  const labels = page.getByRole('region', { name: 'speaker labels' })
  await labels.getByRole('button', { name: 'Leave', exact: true }).first().click()
  await labels.getByRole('button', { name: 'Accept', exact: true }).click()
  await expect.poll(script).toContain('\n\nIn 1822 somebody')
  expect(await script()).toContain('**Narrator (V.O.):** Twice')
  await page.getByRole('button', { name: 'Show it again' }).click()
  await page.getByRole('button', { name: 'Before and after' }).click()
  await expect(page.getByRole('region', { name: 'Two texts side by side' })).toContainText(
    '[picture: A mill pond at low water]',
  )
  await page.getByRole('button', { name: 'Tidy all' }).first().click()
  // A call is often meant: it is shown, and stays until a person takes it out.
  await expect.poll(script).toBe(`${TIDY}\n${CALL}`)
  await page
    .getByRole('status')
    .filter({ hasText: 'changes made' })
    .getByRole('button', { name: 'Undo' })
    .click()
  await expect.poll(script).toContain('**Narrator (V.O.):** Twice')
  await page.getByRole('button', { name: 'Tidy all' }).first().click()
  await expect(labels).toHaveCount(0)
  await page
    .getByRole('region', { name: 'calls to subscribe' })
    .getByRole('button', { name: 'Accept', exact: true })
    .click()
  await expect.poll(script).toBe(TIDY.trimEnd())
  await expect(
    page.getByText('Tidy. Everything in this script can be spoken as it stands.'),
  ).toBeVisible()
})

test('a claim is marked in the script, seen in the sheet and named before a render', async ({
  page,
}) => {
  await newEpisode(page, 'A claim', 'The lamp burns. It was lit in 1822 by a baker.')
  await page.getByRole('tab', { name: 'Claims' }).click()
  await page
    .getByRole('group', { name: 'Mark of “1822”' })
    .getByRole('button', { name: 'unsure' })
    .click()
  await page.getByLabel('Source of “1822”').fill('Harbour Board')
  await page.getByLabel('Source of “1822”').press('Enter')
  await expect
    .poll(async () => (await viewOf(page.request, idOf(page))).document.claims)
    .toMatchObject([{ words: '1822', mark: 'unsure', source: 'Harbour Board' }])
  const saving = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save the list' }).click()
  expect((await saving).suggestedFilename()).toBe('A claim – claims.csv')
  await page.getByRole('tab', { name: 'Film' }).click()
  await prepared(page, 2)
  await expect(page.getByRole('row', { name: /^Scene 2:/ })).toContainText('“1822”: unsure')
  await page.getByRole('link', { name: 'Render' }).click()
  await expect(page.getByText('“1822” in scene 2: unsure')).toBeVisible()
})

test('a script is checked while it is written: hook, spelling, wish, chapters', async ({
  page,
}) => {
  await newEpisode(
    page,
    'Checked',
    '# One\n\nHello and welcome back. The lihgthouse stands on a rock.\n\n# Two\n\nThe sea is cold.',
  )
  await page.getByRole('tab', { name: 'Checks' }).click()
  await expect(page.getByText('It opens with a greeting')).toBeVisible()
  await page.getByRole('region', { name: 'Spelling' }).getByRole('button').click()
  await page.keyboard.type('lighthouse')
  await expect(page.getByRole('region', { name: 'Spelling' })).toHaveCount(0)
  await page.getByRole('tab', { name: 'Film' }).click()
  await page.getByLabel('Wanted minutes').fill('1')
  await page.getByLabel('Wanted minutes').press('Enter')
  await expect(page.getByText(/too short. Room for more in:/)).toBeVisible()
  await page
    .getByRole('navigation', { name: 'Chapters' })
    .getByRole('button', { name: /Two/ })
    .focus()
  await page.keyboard.press('Alt+ArrowUp')
  await expect
    .poll(async () => (await viewOf(page.request, idOf(page))).document.script)
    .toBe(
      '# Two\n\nThe sea is cold.\n\n# One\n\nHello and welcome back. The lighthouse stands on a rock.',
    )
})

test('a file becomes a script, and a bad one leaves the text as it was', async ({ page }) => {
  await newEpisode(page, 'Imported', 'The old text.')
  await page.getByRole('button', { name: 'Import' }).click()
  const take = (name: string, content: string | Buffer) =>
    page
      .getByLabel('A file to import')
      .setInputFiles({ name, mimeType: 'application/octet-stream', buffer: Buffer.from(content) })
  await take('picture.docx', Buffer.from([0xff, 0xd8, 0xff, 0xe0]))
  await expect(page.getByRole('alert')).toContainText('it is a picture (jpeg)')
  await page.getByLabel('or a public page').fill('http://127.0.0.1:1/')
  await page.getByRole('button', { name: 'Fetch its text' }).click()
  await expect(page.getByRole('alert')).toContainText('private network')
  await take('film.csv', 'Visual,Narration\nA rope,<img src=x onerror=alert(1)> holds.')
  await page.getByRole('button', { name: 'Add at the end' }).click()
  await expect(page.getByLabel('Script', { exact: true })).toContainText(
    '<img src=x onerror=alert(1)> holds.',
  )
  await expect
    .poll(async () => (await viewOf(page.request, idOf(page))).document.script)
    .toBe('The old text.\n\n[picture: A rope] <img src=x onerror=alert(1)> holds.')
})

test('all of a script is printed, not what is in sight of it alone', async ({ page }) => {
  const lines = Array.from({ length: 240 }, (_, n) => `Wave number ${n + 1} breaks on the shore.`)
  await newEpisode(page, 'A long script', lines.join('\n\n'))
  // Chromium's own printing; a page of A4 holds about 55 lines of it.
  const pdf = await page.pdf({ format: 'A4' })
  const pages = pdf.toString('latin1').match(/\/Type\s*\/Page\b/g) ?? []
  expect(pages.length).toBeGreaterThan(6)
  await page.emulateMedia({ media: 'print' })
  await page.evaluate("dispatchEvent(new Event('beforeprint'))")
  const paper = page.locator('.on-paper')
  await expect(paper).toBeVisible()
  await expect(paper).toContainText('Wave number 240 breaks on the shore.')
  await expect(page.getByRole('button', { name: 'Import' })).toBeHidden()
})
