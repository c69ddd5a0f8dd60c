import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { address, expect, test } from './stack.ts'
import { idOf, newEpisode, viewOf } from './steps.ts'

/** A drawing with nothing around it. */
const SIGN = {
  name: 'sign.svg',
  mimeType: 'image/svg+xml',
  buffer: Buffer.from(
    '<svg xmlns="http://www.w3.org/2000/svg" width="90" height="90">' +
      '<circle cx="45" cy="45" r="40" fill="#b8432f"/></svg>',
  ),
}

/** A font that films are not set in by themselves. */
const FONT = join(
  fileURLToPath(new URL('../node_modules/@fontsource', import.meta.url)),
  'ibm-plex-mono/files/ibm-plex-mono-latin-400-normal.woff2',
)

test('a house style: changed it becomes one\u2019s own, goes out as a file and comes back, dresses the latest film with its sign, and leaves what was set by hand; pictures laid over', async ({
  page,
}) => {
  await newEpisode(
    page,
    'Dressed',
    '# The lamp\n\nIt is seen from 20 miles out. [number: 20 miles] It was lit in 1822.',
  )
  const id = idOf(page)
  await page.goto(`${address()}/styles`)
  await expect(page.getByRole('heading', { name: 'To start from' })).toBeVisible()
  await page.getByRole('button', { name: 'Night', exact: true }).click()
  await page.getByRole('button', { name: 'Colours' }).click()
  await page.getByRole('button', { name: 'Colours' }).click()
  const accent = page.getByLabel('What is seen first, in letters')
  await accent.fill('#ff8800')
  await accent.press('Enter')
  const own = page.getByRole('region', { name: 'Your own' })
  await expect(own.getByRole('button', { name: 'Night, ours' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await page.getByRole('button', { name: 'Sign', exact: true }).click()
  await page.getByRole('button', { name: 'Choose its picture' }).click()
  await page.getByLabel('The channel\u2019s sign: a file of your own').setInputFiles(SIGN)
  await expect(page.getByRole('radiogroup', { name: 'Place of the sign' })).toBeVisible()
  await page.getByRole('button', { name: 'Subtitles', exact: true }).click()
  await page.getByLabel('Face: a font file of your own').setInputFiles(FONT)
  const kept = async () => {
    const answer = await page.request.get(`${address()}/api/styles`)
    const { own: styles } = (await answer.json()) as { own: HouseStyle[] }
    return styles.at(-1)
  }
  await expect.poll(kept).toMatchObject({
    sign: { at: 'head-right' },
    lettering: { faces: [{ name: 'IBM Plex Mono Regular' }] },
  })
  expect((await kept())?.lettering.subtitle.face).toMatch(/^own-/)
  const name = page.getByLabel('Name of the style')
  await name.fill('Shorelines at night')
  await name.press('Enter')
  await expect(page.getByText(/Version [234], saved/)).toBeVisible()

  await page.getByRole('button', { name: 'Set “Dressed” in Shorelines at night' }).click()
  await expect(page.getByText('is set in Shorelines at night from now on')).toBeVisible()
  const { document } = await viewOf(page.request, id)
  expect(document.lettering.palette.accent).toBe('#ff8800')
  expect(document.style).toMatchObject({ name: 'Shorelines at night' })
  expect(document.sign).toMatchObject({ at: 'head-right', item: { width: 2048 } })

  const coming = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as a file' }).click()
  const file = await (await coming).path()
  expect(JSON.parse(readFileSync(file, 'utf8'))).toMatchObject({
    fonts: [{ name: 'IBM Plex Mono Regular' }, { name: 'Jost' }],
    signPicture: expect.stringMatching(/^UklGR/),
  })
  await page.getByRole('button', { name: 'Remove' }).click()
  await expect(own.getByRole('button', { name: 'Shorelines at night' })).toBeHidden()
  await page.getByRole('button', { name: 'Bring it back' }).click()
  await expect(own.getByRole('button', { name: 'Shorelines at night' })).toBeVisible()
  await page.getByLabel('A house style from a file').setInputFiles(file)
  await expect(own.getByRole('button', { name: 'Shorelines at night' })).toHaveCount(2)
  await page
    .getByLabel('A house style from a file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{') })
  await expect(page.getByRole('alert')).toContainText('x.json is no house style')

  // On the sheet: what is drawn on a scene, and one thing set by hand that a style leaves alone.
  await page.goto(`${address()}/episode/${id}/sheet?scene=s2&panel=drawn`)
  const panel = page.getByRole('region', { name: 'Drawn on it' })
  await panel.getByRole('button', { name: '1822 words' }).click()
  await expect
    .poll(async () => (await viewOf(page.request, id)).document.script)
    .toContain('[super: 1822] It was lit')
  await panel.locator('.el-select', { has: page.locator('#drawn-subtitles') }).click()
  await page.getByRole('option', { name: 'Single words, very large' }).click()
  await expect(panel.getByRole('button', { name: 'subtitles: back' })).toBeVisible()
  await panel.locator('.el-select', { has: page.locator('#drawn-style') }).click()
  await page.getByRole('option', { name: 'Newspaper' }).click()
  const styled = async () => (await viewOf(page.request, id)).document
  await expect.poll(async () => (await styled()).style.id).toBe('newspaper')
  expect((await styled()).lettering.subtitle.words).toBe('one')
  await panel.getByRole('button', { name: 'subtitles: back' }).click()
  await expect.poll(async () => (await styled()).lettering.subtitle.words).toBe('cue')

  // One scene's figures stand on a shade; then all films of the style have them so.
  await panel.getByText('How it looks').click()
  const ground = panel.locator('.dress .el-select', { has: page.getByLabel('Stands on') })
  await ground.click()
  await page.getByRole('option', { name: 'a soft shade' }).click()
  const dress = async () => (await styled()).scenes[1]?.dress?.supers?.figures?.ground
  await expect.poll(dress).toBe('shade')
  await panel.locator('.dress label', { hasText: 'the house style' }).click()
  await ground.click()
  await page.getByRole('option', { name: 'an edge around letters' }).click()
  await expect(panel.getByText('Kept in “Newspaper, ours”.')).toBeVisible()
  await expect.poll(async () => (await styled()).style.name).toBe('Newspaper, ours')
  expect(await dress()).toBeUndefined()
  const { style, lettering } = await styled()
  expect(style.lettering.supers.figures.ground).toBe('edge')
  expect(lettering.supers.figures.ground).toBe('edge')

  // A picture of one's own over the scene's, dragged to the middle line, then a step by an arrow.
  await panel.getByRole('button', { name: 'Lay a picture over it' }).click()
  await panel.getByLabel('A picture to lay over it: a file of your own').setInputFiles(SIGN)
  const inlay = async () => (await styled()).scenes[1]?.inlays?.[0]
  await expect.poll(inlay).toMatchObject({ at: 'right', edge: 0 })
  const thing = page.getByRole('button', { name: /^sign: drag it elsewhere/ })
  const at = (await thing.boundingBox())!
  const screen = (await page.locator('.screen').boundingBox())!
  await page.mouse.move(at.x + at.width / 2, at.y + at.height / 2)
  await page.mouse.down()
  await page.mouse.move(screen.x + screen.width / 2 + 3, screen.y + screen.height * 0.4, {
    steps: 4,
  })
  await page.mouse.up()
  await expect.poll(inlay).toMatchObject({ at: { across: 0.5 } })
  await thing.press('ArrowRight')
  const across = async () => {
    const at = (await inlay())?.at
    return typeof at === 'object' ? at.across : 0
  }
  await expect.poll(across).toBeCloseTo(0.51, 2)
  await panel.getByRole('button', { name: 'Take sign away' }).click()
  await expect.poll(inlay).toBeUndefined()
  await page.getByRole('tab', { name: 'Shot' }).click()
  await page.locator('.layout .el-select').click()
  await page.getByRole('option', { name: 'a framed print' }).click()
  await expect
    .poll(async () => (await styled()).scenes[1]?.shots[0]?.layout)
    .toEqual({ kind: 'print' })
})

test('subtitles read through: a line corrected keeps to its words through a cut and a move, a break by hand, found and replaced', async ({
  page,
}) => {
  await newEpisode(
    page,
    'Read through',
    'It is thirteen point eight billion years old.\n\nThe lamp burns all night, they say. The lamp is bright.',
  )
  const id = idOf(page)
  const kept = async () => (await viewOf(page.request, id)).document.subtitling
  await page.goto(`${address()}/episode/${id}/subtitles`)
  const line = (number: number) => page.getByLabel(new RegExp(`^Subtitle ${number}, at`))
  await expect(line(1)).toHaveValue(/thirteen\s+point/)
  await line(1).fill('It is 13.8 billion years old.')
  await line(1).press('Control+Enter')
  await expect.poll(async () => (await kept()).kept.map(({ shown }) => shown)).toEqual(['13.8'])
  await expect(page.getByText('Said: It is thirteen point eight billion years old.')).toBeVisible()

  // Through a cut and a move, from the shell's door.
  const send = (command: object) =>
    viewOf(page.request, id).then(({ revision }) =>
      page.request.post(`${address()}/api/episodes/${id}/commands`, {
        data: { revision, key: `k${revision}`, command },
        headers: { origin: address() },
      }),
    )
  const { scenes } = (await viewOf(page.request, id)).document
  await send({ type: 'moveScenes', sceneIds: [scenes[0]!.id], place: 'end' })
  await expect(page.getByText('Said: It is thirteen point eight billion years old.')).toBeVisible()

  await page.getByLabel('Find words').fill('the lamp')
  await expect(page.getByText('2 times')).toBeVisible()
  await page.getByLabel('Show instead').fill('The light')
  await page.getByRole('button', { name: 'Replace all' }).click()
  await expect.poll(async () => (await kept()).kept.length).toBe(3)
  await expect(line(1)).toHaveValue(/^The light burns/)
  await page.getByRole('button', { name: 'Subtitle 1 as it is said' }).click()
  await expect(line(1)).toHaveValue(/^The lamp burns/)

  await page.locator('.el-select', { has: page.getByLabel('Guideline') }).click()
  await page.getByRole('option', { name: 'DCMP Captioning Key' }).click()
  await expect.poll(async () => (await kept()).guideline).toBe('dcmp')
  await expect(page.getByText('Lines of 32 letters, 160 words a minute')).toBeVisible()
})

test('subtitles in another language: read from a file, put right, burnt in, and they go along with their scenes', async ({
  page,
}) => {
  await newEpisode(page, 'Two languages', 'The tide turns. The moon pulls at the sea.')
  const id = idOf(page)
  const subtitling = async () => (await viewOf(page.request, id)).document.subtitling
  await page.goto(`${address()}/episode/${id}/subtitles`)
  await page.locator('.el-select', { has: page.getByLabel('Language of the subtitles') }).click()
  await page.getByRole('option', { name: 'German' }).click()
  const german = page.getByRole('region', { name: 'Subtitles in German' })
  await expect(german.getByText('Nothing written yet')).toBeVisible()
  const file = (name: string, text: string) =>
    german
      .getByLabel('A file with subtitles in German')
      .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })
  await file('none.srt', '1\n2\n3')
  await expect(german.getByRole('alert')).toContainText('"none.srt" holds no subtitles')
  await file('two.txt', 'Die Flut kehrt um.\nDer Mond zieht am Meer.')
  await expect(german.getByText('2 texts of two.txt stand beside 2 scenes now.')).toBeVisible()
  await expect(german.getByText('All 2 scenes written')).toBeVisible()
  const second = german.getByLabel('Scene 2 in German')
  await second.fill('Der Mond zieht das Meer an.')
  await second.press('Control+Enter')
  await expect
    .poll(async () => (await subtitling()).tracks[0]?.texts.map(({ text }) => text).sort())
    .toEqual(['Der Mond zieht das Meer an.', 'Die Flut kehrt um.'])
  await german.getByText('Written on the picture in place of what is spoken').click()
  await expect.poll(async () => (await subtitling()).burnt).toBe('de')
  await page.goto(`${address()}/episode/${id}/sheet?scene=s1&panel=drawn`)
  await expect(page.getByRole('region', { name: 'Drawn on it' })).toBeVisible()
  await page.goto(`${address()}/episode/${id}/subtitles`)
  await page.locator('.el-select', { has: page.getByLabel('Language of the subtitles') }).click()
  await page.getByRole('option', { name: 'German' }).click()
  await german.getByRole('button', { name: 'Remove German' }).click()
  await expect.poll(subtitling).toMatchObject({ tracks: [], burnt: '' })
  await page.getByRole('button', { name: /^Undo: subtitles in German removed/ }).click()
  await expect.poll(async () => (await subtitling()).tracks.length).toBe(1)
})
