import { readFileSync } from 'node:fs'
import { Item } from '@tidy-reel/core/pictures/item'
import type { PictureView } from '@tidy-reel/core/views/library'
import { address, expect, test } from './stack.ts'
import { idOf, newEpisode, prepared, viewOf } from './steps.ts'

test('files are brought, a broken one told; tagged by keyboard, searched, gathered, taken out and put back', async ({
  page,
  request,
}) => {
  const jpeg = async (q: string) => {
    const [first] = Item.array().parse(
      (
        (await (await request.get(`${address()}/api/pictures?words=${q}&kind=photo`)).json()) as {
          items: unknown[]
        }
      ).items,
    )
    await expect
      .poll(
        async () =>
          (await request.get(`${address()}/api/pictures/${first!.id}/thumbnail`)).status(),
        { timeout: 60_000 },
      )
      .toBe(200)
    return (await request.get(`${address()}/api/pictures/${first!.id}/thumbnail`)).body()
  }
  const [boat, bread] = [await jpeg('boat'), await jpeg('bread')]
  await page.goto(`${address()}/library`)
  await page.getByLabel('Bring files').setInputFiles([
    { name: 'IMG_0001.jpg', mimeType: 'image/jpeg', buffer: boat },
    { name: 'Loaf of bread.jpg', mimeType: 'image/jpeg', buffer: bread },
    { name: 'notes.jpg', mimeType: 'image/jpeg', buffer: readFileSync(new URL(import.meta.url)) },
  ])
  await expect(page.getByRole('status')).toContainText('2 files brought')
  await expect(page.getByRole('status')).toContainText('"notes.jpg" cannot be used')
  const pictures = page
    .getByRole('listbox', { name: 'Pictures of the library' })
    .getByRole('option')
  await page.getByRole('button', { name: 'Without words' }).click()
  await expect(pictures.filter({ hasText: 'Loaf of bread' })).toHaveCount(1)
  await pictures.filter({ hasText: 'IMG 0001' }).click()
  await page.keyboard.press('t')
  await page.keyboard.type('boat, harbour')
  await page.keyboard.press('Enter')
  await page.getByRole('button', { name: 'Own files' }).click()
  await page.getByLabel('Search the library').fill('harbours')
  await expect(pictures).toHaveCount(1)
  await pictures.first().click()
  await page.getByLabel('Title').fill('A boat at rest')
  await page.getByLabel('Collection').fill('Boats')
  await page.getByLabel('Collection').press('Enter')
  await page.getByLabel('Bring files').setInputFiles([
    {
      name: 'words.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(
        'file,keywords,author\nLoaf of bread.jpg,crust; oven,A. Baker\nelsewhere.jpg,oven,\n',
      ),
    },
  ])
  await expect(page.getByRole('status')).toContainText(
    '“words.csv” describes 1 picture. 1 row names no file that is here: elsewhere.jpg.',
  )
  await page.getByLabel('Search the library').fill('crust')
  await expect(pictures).toHaveText(/Loaf of bread/)
  await page.getByLabel('Search the library').fill('')
  await page.getByRole('button', { name: /Boats 1/ }).click()
  await expect(pictures).toHaveText(/A boat at rest/)
  await pictures.first().click()
  await page.getByRole('button', { name: 'Take out of the library' }).click()
  await expect(pictures).toHaveCount(0)
  await page.getByRole('button', { name: 'Put back' }).click()
  await expect(pictures).toHaveText(/A boat at rest/)
})

test('beside the sheet: words as chips, a filter, several pictures held and laid at once, a favourite', async ({
  page,
  request,
}) => {
  await newEpisode(page, 'A quiet evening', 'In 1859 a ship is at sea. A cow eats grass.')
  await prepared(page, 2)
  const id = idOf(page)
  const panel = page.getByLabel('Pictures for this scene')
  const picks = panel.locator('.pick')
  await panel.getByRole('button', { name: '1859' }).click()
  await expect
    .poll(async () => (await viewOf(request, id)).document.script)
    .toBe('[super: 1859] In 1859 a ship is at sea. A cow eats grass.')
  await panel.getByLabel('Search pictures').fill('moon')
  await page.keyboard.press('Enter')
  await expect(picks.first()).toContainText(/moon/i)
  await panel.getByLabel('Search pictures').fill('earth')
  await page.keyboard.press('Enter')
  await expect(panel.getByTitle('Without “moon”')).toBeVisible()
  await panel.getByTitle('Without “earth”').click()
  await panel.getByRole('button', { name: 'Filter' }).click()
  await page
    .getByRole('form', { name: 'Filter pictures' })
    .locator('label', { hasText: 'Kind' })
    .locator('.el-select')
    .click()
  await page.getByRole('option', { name: 'stills' }).click()
  await page.keyboard.press('Escape')
  await expect(panel.getByTitle('Not only stills')).toBeVisible()
  await expect(panel.locator('.seconds')).toHaveCount(0)
  await picks.nth(0).click({ modifiers: ['Shift'] })
  await picks.nth(1).click()
  await panel.getByRole('button', { name: 'Lay them on the scene' }).click()
  const shots = async () => (await viewOf(request, id)).document.scenes[0]!.shots
  await expect
    .poll(async () => (await shots()).map(({ by, item }) => `${by} ${item!.kind}`))
    .toEqual(['hand photo', 'hand photo'])
  const chosen = (await shots())[0]!.item!

  // What was chosen is in the library, and says where it is shown.
  await panel.getByRole('button', { name: 'Recent' }).click()
  await expect(picks.filter({ hasText: chosen.title }).first()).toBeVisible()
  const uses = (await (await request.get(`${address()}/api/library/${chosen.id}/uses`)).json()) as {
    uses: { title: string }[]
  }
  expect(uses.uses.map(({ title }) => title)).toContain('A quiet evening')
  await picks.first().hover()
  await panel
    .getByRole('button', { name: /^Favourite: / })
    .first()
    .click()
  await panel.getByRole('button', { name: 'Favourites' }).click()
  await expect(picks).toHaveCount(1)
  const favourites = (
    (await (await request.get(`${address()}/api/library?shelf=favourites`)).json()) as {
      pictures: PictureView[]
    }
  ).pictures
  expect(favourites).toHaveLength(1)

  // One step of undo for both.
  await page.getByRole('grid', { name: 'Scenes' }).focus()
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await shots()).map(({ by }) => by)).toEqual(['match'])
})

test('a picture is made from what the scene says, in the style of the film', async ({
  page,
  request,
}) => {
  await newEpisode(page, 'Night light', 'At night a lighthouse throws its beam over the sea.')
  await prepared(page, 1)
  const panel = page.getByLabel('Pictures for this scene')
  await panel.getByRole('button', { name: 'Make', exact: true }).click()
  await expect(panel.getByLabel('What is to be seen')).toHaveValue(
    /^.*lighthouse.*at night\. From a film about night light\.$/i,
  )
  await panel.locator('.el-select').click()
  await page.getByRole('option', { name: 'Blueprint' }).click()
  await panel.getByRole('button', { name: 'Paint four' }).click()
  const made = panel.getByTitle(/^Choose it: .*light/i)
  await expect(made).toHaveCount(4, { timeout: 90_000 })
  await made.first().click()
  const view = () => viewOf(request, idOf(page))
  await expect
    .poll(async () => (await view()).document.scenes[0]!.shots[0]!.item)
    .toMatchObject({ id: expect.stringMatching(/^made-/), licence: 'Made' })
  expect((await view()).document.making.style).toBe('blueprint')
})

test('before a render it is said which pictures may not be used and what the others ask', async ({
  page,
  request,
}) => {
  await newEpisode(page, 'Licences', 'A ship is at sea.')
  await prepared(page, 1)
  const id = idOf(page)
  const { revision, document } = await viewOf(request, id)
  const item = {
    id: 'elsewhere',
    kind: 'photo',
    title: 'A stormy sea',
    seconds: null,
    width: 1920,
    height: 1080,
    source: 'Somewhere',
    licence: 'CC BY-NC 4.0',
    author: 'Somebody',
  }
  await request.post(`${address()}/api/episodes/${id}/commands`, {
    data: {
      revision,
      command: { type: 'setShot', sceneId: document.scenes[0]!.id, shot: 0, item },
    },
  })
  await page.goto(`${address()}/episode/${id}/render`)
  const note = page.getByRole('region', { name: 'Licences of the pictures' })
  await expect(note).toContainText('1 picture may not be used here')
  await note.getByRole('button').click()
  await expect(note).toContainText(
    'Scene 1: “A stormy sea”, CC BY-NC 4.0 – its licence allows no film that earns money.',
  )
})
