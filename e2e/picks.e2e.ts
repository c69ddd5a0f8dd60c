import { expect, test } from './stack.ts'
import { foundFor, idOf, newEpisode, prepared, viewOf } from './steps.ts'

const BAT = `# Out of the tower
When the light fades, a bat leaves the old tower. It hunts moths over the river. The sea is far away, and a ship passes.

# At home
The lamp in the kitchen burns all night. Nobody knows why.`

test('one pass through the pictures by keyboard: choosing, more, a search, turning down and taking back', async ({
  page,
  request,
}) => {
  await newEpisode(page, 'Bats of the tower', BAT)
  await prepared(page, 5)
  const id = idOf(page)
  await page.keyboard.press('Shift+P')
  const offered = page.getByRole('listbox', { name: /^Pictures offered/ }).getByRole('option')
  await expect(offered).toHaveCount(4)
  // A scene over which the picture before goes on is no stop.
  const stops = (await viewOf(request, id)).document.scenes.filter(
    ({ begins }) => begins?.how !== 'hold',
  ).length
  await expect(page.getByText(`of ${stops} to look at`)).toBeVisible()
  const shots = async () =>
    (await viewOf(request, id)).document.scenes.flatMap(({ shots }) => shots)
  const byHand = async () => (await shots()).filter(({ by }) => by === 'hand').length

  // Turned down for the meaning: it is gone from here, told in the list, and comes back.
  const second = await offered.nth(1).locator('.name').textContent()
  const title = second!.replace('There now: ', '').trim()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('x')
  await page.keyboard.press('w')
  const turned = page.getByRole('region', { name: 'Turned down' })
  await expect(turned).toContainText(title)
  await expect(turned).toContainText('wrong meaning')
  await expect(offered.filter({ hasText: title })).toHaveCount(0)
  await expect
    .poll(async () =>
      (await viewOf(request, id)).document.matching.refusals.map(({ reason, item }) => [
        reason,
        item.title,
      ]),
    )
    .toEqual([['sense', title]])
  await turned.getByRole('button', { name: 'Take back' }).click()
  await expect.poll(async () => (await viewOf(request, id)).document.matching.refusals).toEqual([])

  // Four more, one of them; then the marked one; then one that was searched for.
  await page.keyboard.press('Space')
  await expect(offered.first()).not.toContainText('There now')
  await page.keyboard.press('1')
  await expect.poll(byHand).toBe(1)
  await page.keyboard.press('Enter')
  await expect.poll(byHand).toBe(2)
  await page.keyboard.press('/')
  await page.keyboard.type('lighthouse')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('textbox', { name: 'Search pictures' })).not.toBeFocused()
  await expect(offered.first()).toContainText(/lighthouse/i)
  await page.keyboard.press('1')
  await expect.poll(byHand).toBe(3)
  expect(
    (await shots()).some(({ by, item }) => by === 'hand' && /lighthouse/i.test(item?.title ?? '')),
  ).toBe(true)

  // What is left is for later; undo takes the last choice back.
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await expect(page.getByText('Every picture has been looked at.')).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect.poll(byHand).toBe(2)
})

test('a word is taken for what a person says it means, for the whole film', async ({
  page,
  request,
}) => {
  await newEpisode(
    page,
    'Night flyers',
    'A bat leaves the tower at dusk. The bat hears a moth. Then the bat is gone.',
  )
  await prepared(page, 3)
  const id = idOf(page)
  const view = () => viewOf(request, id)
  const [first] = (await view()).document.scenes
  const bat = (await foundFor(request, id))[first!.id]!.meanings.find(({ noun }) => noun === 'bat')!
  expect(bat.senses[0]!.gloss).toContain('mammal')
  await page.keyboard.press('Shift+P')
  await page.locator('summary', { hasText: 'bat' }).first().click()
  await page.getByRole('button', { name: /club/ }).first().click()
  await expect
    .poll(async () => (await view()).document.matching.senses.map(({ noun }) => noun))
    .toEqual(['bat'])
  await expect
    .poll(async () =>
      Object.values(await foundFor(request, id)).map(
        ({ meanings }) => meanings.find(({ noun }) => noun === 'bat')?.senses[0]!.gloss,
      ),
    )
    .toEqual([
      expect.stringContaining('club'),
      expect.stringContaining('club'),
      expect.stringContaining('club'),
    ])
})

test('what the film shows is read as a list and written into the script before pictures are chosen', async ({
  page,
  request,
}) => {
  await newEpisode(page, 'Bats of the tower', BAT)
  const id = idOf(page)
  await page.goto(page.url().replace('script', 'shown'))
  const shows = page.getByRole('textbox', { name: 'Scene 3 shows' })
  await expect(shows).toHaveAttribute('placeholder', /sea.* ship/)
  await shows.fill('a freighter at dusk, not a sailing boat')
  await page.keyboard.press('Enter')
  const script = async () => (await viewOf(request, id)).document.script
  await expect
    .poll(script)
    .toContain('[picture: a freighter at dusk, not a sailing boat] The sea is far away')
  await expect(page.getByText('as you wrote it')).toHaveCount(1)

  // Emptied, it is left to what is read; the keys go from scene to scene.
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Enter')
  await expect(shows).toBeFocused()
  await shows.fill('')
  await page.keyboard.press('Enter')
  await expect.poll(script).toBe(BAT)
})

test('the contact sheet shows all pictures; another is chosen there, two change places', async ({
  page,
  request,
}) => {
  await newEpisode(
    page,
    'All at once',
    'A ship with three white sails is far out at sea in the morning. The old lighthouse stands on a rock above the waves and the foam. A brown cow eats the wet grass of a meadow behind the village.',
  )
  await prepared(page, 3)
  const id = idOf(page)
  const titles = async () =>
    (await viewOf(request, id)).document.scenes.map(({ shots }) => shots[0]!.item!.title)
  const before = await titles()
  await page.keyboard.press('c')
  const pictures = page.getByRole('listbox', { name: 'Pictures of the film' }).getByRole('option')
  await expect(pictures).toHaveCount(3)
  await pictures.nth(0).dragTo(pictures.nth(2))
  await expect.poll(titles).toEqual([before[2], before[1], before[0]])
  await pictures.nth(1).click()
  await page.keyboard.press('3')
  await expect.poll(async () => (await titles())[1]).not.toBe(before[1])
  await page.keyboard.press('Control+z')
  await expect.poll(async () => (await titles())[1]).toBe(before[1])

  // The other kind is wished for: what matching chose gives way, what a person put there stays.
  const kind = async () => (await viewOf(request, id)).document.scenes[1]!.shots[0]!.item!.kind
  const [wish, other] =
    (await kind()) === 'clip' ? ['stills only', 'photo'] : ['clips only', 'clip']
  await page.getByRole('button', { name: 'How they are chosen' }).click()
  await page
    .getByRole('form', { name: 'How pictures are chosen' })
    .getByText('whichever fit best')
    .first()
    .click()
  await page.getByRole('option', { name: wish }).click()
  await expect.poll(kind, { timeout: 60_000 }).toBe(other)
  expect((await titles()).filter((_, i) => i !== 1)).toEqual([before[2], before[0]])
})
