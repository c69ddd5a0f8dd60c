import type { Page } from '@playwright/test'
import { expect, test } from './stack.ts'
import { change, idOf, newEpisode, newEpisodeByHand, prepared, viewOf } from './steps.ts'

const LOCK = `# A lift made of water
A canal cannot climb a hill. Water will not flow uphill, and a boat cannot either.

A lock is a box of water with a door at each end. The boat goes in at the bottom. The lower doors are shut.

# The doors
Each pair of doors meets in a point, like the roof of a house. The water itself holds them shut. So no bolt is needed.`

const scene = (page: Page, n: number) => page.getByRole('row', { name: new RegExp(`^Scene ${n}:`) })
const keys = async (page: Page, ...pressed: string[]) => {
  for (const key of pressed) await page.keyboard.press(key)
}
const saved = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible()

test('a draft becomes a finished cut by keyboard alone', async ({ page, request }) => {
  await newEpisodeByHand(page, 'What a lock does', LOCK)
  await prepared(page, 8)
  const id = idOf(page)
  const texts = async () => (await viewOf(request, id)).document.scenes.map(({ text }) => text)

  // Split a long sentence at the cursor, put it back, split it elsewhere; write a scene that was
  // missing.
  await keys(page, 'ArrowDown', 'Enter', 'Control+Home')
  for (let i = 0; i < 28; i++) await page.keyboard.press('ArrowRight')
  await keys(page, 'Enter', 'Backspace', 'Enter', 'Escape')
  await expect.poll(texts).toContain('and a boat cannot either.')
  await expect.poll(texts).toContain('Water will not flow uphill,')
  await keys(page, 'i')
  await page.keyboard.type('So people built a stair for boats.')
  await keys(page, 'Shift+Enter')
  await expect.poll(async () => (await texts())[3]).toBe('So people built a stair for boats.')

  // Order, copies, what is left out, lengths, pauses, speakers.
  await keys(page, 'Alt+ArrowUp')
  await expect.poll(async () => (await texts())[2]).toBe('So people built a stair for boats.')
  await keys(page, 'd', 'Delete', 'ArrowDown', 'h', 'ArrowDown', '+', '+')
  await keys(page, 'e')
  await page.keyboard.type('1.5')
  await keys(page, 'Tab', 'Escape')

  // Pictures: another one, a second one at a word, its cut a word later, then a search.
  await keys(page, 'Home', 'ArrowDown', '2')
  await page.keyboard.press('/')
  await page.keyboard.type('boat')
  await keys(page, 'Enter')
  await expect(page.getByLabel('Pictures for this scene').locator('.pick').nth(4)).toBeVisible()
  await keys(page, 'Escape', 'k', 'Shift+ArrowRight')
  for (let i = 0; i < 45; i++) await page.keyboard.press('Shift+ArrowRight')
  await keys(page, 'a', '3', 'Control+ArrowRight')

  // The whole film: dissolves, an opening card worded by hand, found through the palette.
  await keys(page, 'Shift+T', 'F2')
  await page.keyboard.type('opening card')
  await keys(page, 'Enter', 'Home', 'Enter', 'Control+A')
  await page.keyboard.type('A stair for boats')
  await keys(page, 'Shift+Enter', 'n')
  await saved(page)

  const { document } = await viewOf(request, id)
  expect(document.transition.kind).toBe('dissolve')
  expect(document.cards.opening).toMatchObject({ shown: true, text: 'A stair for boats' })
  expect(document.scenes.filter(({ hidden }) => hidden)).toHaveLength(1)
  expect(document.scenes.some(({ length }) => length !== undefined)).toBe(true)
  expect(document.script).toContain('[pause 1.5s]')
  const [first] = document.scenes
  expect(first!.shots.map(({ by }) => by)).toEqual(['hand', 'hand'])
  expect(first!.shots[1]!.word).toBeGreaterThan(1)

  // Every step of it can be taken back by key, down to the script as it was pasted.
  for (let i = 0; i < 40 && (await viewOf(request, id)).history.undo; i++) {
    await page.keyboard.press('Control+z')
    await page.waitForTimeout(120)
  }
  await expect.poll(async () => (await viewOf(request, id)).document.script).toBe('')
  await page.keyboard.press('Control+y')
  await expect.poll(async () => (await viewOf(request, id)).document.script).toBe(LOCK)
})

test('a browser that dies in the middle of a word loses nothing', async ({
  context,
  page,
  request,
}) => {
  await newEpisode(page, 'Killed while typing', 'The lamp burns. The sea is calm.')
  await prepared(page, 2)
  const sheet = page.url()
  await keys(page, 'ArrowDown', 'Enter', 'End')
  await page.keyboard.type(' And the tide tur')
  await page.goto('chrome://crash').catch(() => undefined)
  const again = await context.newPage()
  await again.goto(sheet)
  await expect(scene(again, 3)).toContainText('And the tide tur')
  await expect
    .poll(async () => (await viewOf(request, idOf(again))).document.script)
    .toBe('The lamp burns. The sea is calm. And the tide tur')
})

test('two browsers on one episode see each other, and one that was offline catches up', async ({
  browser,
  page,
  request,
}) => {
  await newEpisode(page, 'Two desks', 'One is here. Two is here. Three is here. Four is here.')
  await prepared(page, 4)
  const other = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 } })
  ).newPage()
  await other.goto(page.url())
  await keys(page, 'Enter', 'Control+A')
  await page.keyboard.type('One was here.')
  await keys(page, 'Shift+Enter')
  await expect(scene(other, 1)).toContainText('One was here.')
  await page.context().setOffline(true)
  await keys(page, 'ArrowDown', 'ArrowDown', 'Enter', 'Control+A')
  await page.keyboard.type('Three was here.')
  await keys(page, 'Shift+Enter')
  await expect(page.getByText('Not saved yet, trying again')).toBeVisible()
  await change(
    request,
    idOf(page),
    { type: 'editNarration', sceneId: 's2', text: 'Two was here.' },
    { type: 'deleteScenes', sceneIds: ['s4'] },
  )
  await page.context().setOffline(false)
  for (const desk of [page, other]) {
    await expect(scene(desk, 2)).toContainText('Two was here.')
    await expect(scene(desk, 3)).toContainText('Three was here.')
    await expect(scene(desk, 4)).toHaveCount(0)
  }
  await other.context().close()
})

test('a picture goes on over a short sentence until a key gives it one of its own', async ({
  page,
  request,
}) => {
  await newEpisode(
    page,
    'Nobody knows',
    'The lighthouse stands on a rock far out in the sea. Nobody knows. A brown cow eats the wet grass of a meadow behind the village.',
  )
  await prepared(page, 3)
  const begins = async () => (await viewOf(request, idOf(page))).document.scenes[1]!.begins
  expect(await begins()).toMatchObject({ how: 'hold', by: 'match' })
  const mark = scene(page, 2).getByText('goes on')
  await expect(mark).toBeVisible()
  await keys(page, 'ArrowDown')
  await expect(page.getByText('The picture before goes on here.')).toBeVisible()
  await keys(page, 'o')
  await expect(mark).toHaveCount(0)
  await saved(page)
  expect(await begins()).toEqual({ how: 'cut', by: 'hand' })
  await keys(page, 'o')
  await expect(mark).toBeVisible()
  await page.getByRole('button', { name: 'Show its own' }).click()
  await expect(mark).toHaveCount(0)
})

test('scenes go from one episode to another by copy and paste, several at once, with their pictures', async ({
  context,
  page,
  request,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await newEpisode(
    page,
    'Where they come from',
    'The lamp burns. The sea is calm. The keeper sleeps.',
  )
  await prepared(page, 3)
  const from = await viewOf(request, idOf(page))
  await keys(page, 'ArrowDown', 'Shift+ArrowDown', 'Control+c')
  await newEpisode(page, 'Where they go', 'A gull cries.')
  await prepared(page, 1)
  await keys(page, 'Control+v')
  await expect(scene(page, 3)).toContainText('The keeper sleeps.')
  await saved(page)
  const to = await viewOf(request, idOf(page))
  expect(to.document.scenes.slice(1).map(({ text }) => text)).toEqual([
    'The sea is calm.',
    'The keeper sleeps.',
  ])
  expect(to.document.scenes[1]!.shots[0]!.item).toEqual(from.document.scenes[1]!.shots[0]!.item)
})

test('cuts and scenes are dragged: a cut falls on a word, a picture on a shot, scenes before another', async ({
  page,
  request,
}) => {
  await newEpisode(
    page,
    'Dragged',
    'The keeper of the old lamp climbs the stairs every night at dusk. The sea is calm. A gull cries.',
  )
  await prepared(page, 3)
  const id = idOf(page)
  const { document } = await viewOf(request, id)
  await change(request, id, {
    type: 'addShot',
    sceneId: 's1',
    shot: 1,
    item: document.scenes[1]!.shots[0]!.item,
    word: 4,
  })
  const cut = scene(page, 1).locator('.cut')
  const box = (await cut.boundingBox())!
  await page.mouse.move(box.x + 6, box.y + 30)
  await page.mouse.down()
  await page.mouse.move(box.x + 60, box.y + 30, { steps: 6 })
  await page.mouse.up()
  await expect
    .poll(async () => (await viewOf(request, id)).document.scenes[0]!.shots[1]!.word)
    .toBeGreaterThan(5)
  await scene(page, 1).click({ position: { x: 20, y: 60 } })
  const offered = page.getByLabel('Pictures for this scene').locator('.pick').nth(2)
  const name = (await offered.locator('.name').textContent())!
  await offered.dragTo(scene(page, 2).locator('.frame').first())
  await expect
    .poll(async () => (await viewOf(request, id)).document.scenes[1]!.shots[0]!.item?.title)
    .toBe(name)
  // A file from the desktop becomes the picture; one that is none is refused with a sentence.
  const dropFile = (name: string, kind: 'picture' | 'text') =>
    scene(page, 3)
      .locator('.frame')
      .first()
      .evaluate(
        async (frame, [file, what]) => {
          const page = globalThis as unknown as {
            document: {
              createElement(name: 'canvas'): {
                width: number
                height: number
                getContext(kind: '2d'): { fillRect(...box: number[]): void }
                toBlob(done: (blob: Blob) => void): void
              }
            }
            DataTransfer: new () => { items: { add(file: File): void } }
            DragEvent: new (type: string, options: object) => Event
          }
          const canvas = Object.assign(page.document.createElement('canvas'), {
            width: 320,
            height: 180,
          })
          canvas.getContext('2d').fillRect(0, 0, 160, 180)
          const blob =
            what === 'text'
              ? new Blob(['notes'])
              : await new Promise<Blob>((done) => canvas.toBlob(done))
          const carried = new page.DataTransfer()
          carried.items.add(new File([blob], file!))
          frame.dispatchEvent(
            new page.DragEvent('drop', { dataTransfer: carried, bubbles: true, cancelable: true }),
          )
        },
        [name, kind],
      )
  await dropFile('My harbour.png', 'picture')
  await expect
    .poll(async () => (await viewOf(request, id)).document.scenes[2]!.shots[0]!.item?.title)
    .toBe('My harbour')
  await expect(scene(page, 3).getByRole('img', { name: 'My harbour' })).toBeVisible()
  await dropFile('notes.txt', 'text')
  await expect(page.getByRole('alert')).toContainText('"notes.txt" cannot be used')
  await scene(page, 3).locator('.number').dragTo(scene(page, 1))
  await expect
    .poll(async () => (await viewOf(request, id)).document.scenes.map((each) => each.id))
    .toEqual(['s3', 's1', 's2'])
})

test('a version is kept, compared scene by scene and brought back', async ({ page, request }) => {
  await newEpisode(page, 'Versions', 'The lamp burns. The sea is calm.')
  await prepared(page, 2)
  await page.keyboard.press('v')
  await page.getByLabel('Name of the version').fill('First cut')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: /^First cut/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await keys(page, 'Delete')
  await expect(scene(page, 2)).toHaveCount(0)
  await saved(page)
  await page.keyboard.press('v')
  await page.getByRole('button', { name: /^First cut/ }).click()
  await expect(page.getByLabel('What has changed')).toContainText('The lamp burns.')
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(scene(page, 2)).toContainText('The sea is calm.')
  expect((await viewOf(request, idOf(page))).history.undo).toBe('version brought back')
})

test('pictures take a look: what is selected, the film, the house style; what is moved is kept, and taken back', async ({
  page,
  request,
}) => {
  await newEpisode(page, 'Looked at', 'The lamp burns above the sea. A ship goes by at night.')
  await prepared(page, 2)
  const id = idOf(page)
  const film = async () => (await viewOf(request, id)).document
  const ofFirst = async () => (await film()).scenes[0]!.shots[0]
  await page.getByRole('grid', { name: 'Scenes' }).press('y')
  const look = page.getByRole('region', { name: 'Look' })
  await look.getByRole('radio', { name: 'Dusk' }).click()
  await expect.poll(async () => (await ofFirst())?.grade).toEqual({ look: 'dusk' })
  await look.getByRole('slider', { name: 'Exposure, stops' }).press('ArrowRight')
  await expect.poll(async () => (await ofFirst())?.grade?.exposure).toBe(0.1)
  await look.getByRole('slider', { name: /^How much of the look/ }).press('PageDown')
  await expect.poll(async () => (await ofFirst())?.grade?.strength).toBe(96)

  await look.getByText('the whole film').click()
  await look.getByRole('radio', { name: 'Slate' }).click()
  await expect.poll(async () => (await film()).grade).toEqual({ look: 'slate' })
  await look.getByText('the house style').click()
  await look.getByText('Black and white').click()
  const grey = { look: 'slate', grey: true }
  await expect.poll(async () => (await film()).style.film.grade).toEqual(grey)
  await expect(look.getByRole('status')).toContainText('Kept in')

  await look.getByText('what is selected').click()
  await expect(look.getByRole('radio', { name: 'Dusk' })).toBeChecked()
  await look.getByRole('button', { name: 'As the film looks' }).click()
  await expect.poll(async () => (await ofFirst())?.grade).toBeUndefined()
  expect((await film()).grade).toEqual(grey)

  await page.getByRole('tab', { name: 'Shot' }).click()
  const close = page.getByRole('slider', { name: 'How close at its start, in per cent' })
  await close.press('ArrowRight')
  await expect.poll(async () => (await ofFirst())?.frame?.from.scale).toBeLessThan(1)
})
