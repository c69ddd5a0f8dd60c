import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { SceneTakeView } from '@tidy-reel/core/views/episode'
import { address, expect, test } from './stack.ts'
import { idOf, newEpisode, prepared, viewOf } from './steps.ts'

const SCRIPT =
  '# The light\n\nThe lamp was lit in 1822.\n\nKEEPER: Nobody sleeps on Reed Rock.\n\nIt turns all night.'

test('voices are heard, set side by side and chosen; a speaker gets a voice of its own', async ({
  page,
}) => {
  await newEpisode(page, 'Voices', SCRIPT)
  const id = idOf(page)
  await page.getByRole('link', { name: 'Sound' }).click()
  await expect(page.getByText('The lamp was lit in eighteen twenty-two.')).toBeVisible()
  const said = page.waitForResponse('**/api/say')
  await page.getByRole('button', { name: 'Hear Rime say this scene' }).click()
  expect((await said).status()).toBe(200)
  for (const name of ['Rime', 'Awl', 'Ridge'])
    await page
      .getByRole('listitem')
      .filter({ has: page.getByRole('button', { name: `Hear ${name} say this scene` }) })
      .getByRole('button', { name: 'Compare' })
      .click()
  const strip = page.getByRole('region', { name: 'Voices side by side' })
  await expect(strip.getByRole('article')).toHaveCount(3)
  await strip
    .getByRole('article')
    .filter({ hasText: 'Ridge' })
    .getByRole('button', { name: 'Use' })
    .click()
  await expect
    .poll(async () => (await viewOf(page.request, id)).document.voice)
    .toBe('flite-rms-deep')
  await page.getByLabel('KEEPER').click()
  await page.getByRole('option', { name: 'Awl, Scottish' }).click()
  await expect
    .poll(async () => (await viewOf(page.request, id)).document.speaking.speakers)
    .toEqual([{ name: 'KEEPER', voice: 'flite-awb' }])
  await expect(page.getByRole('listitem').filter({ hasText: 'Nobody sleeps' })).toContainText('Awl')
  const speaking = async () => (await viewOf(page.request, id)).document.speaking
  const { pauses } = await speaking()
  await page.getByRole('slider', { name: 'Pauses, in per cent' }).press('ArrowRight')
  await expect.poll(async () => (await speaking()).pauses).toBeGreaterThan(pauses)
})

test('a word is said as the list asks, in the film too; a scene goes back to an earlier take', async ({
  page,
}) => {
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
  const earlier = async () =>
    (
      (await (
        await page.request.get(`${address()}/api/episodes/${id}/scenes/s1/takes`)
      ).json()) as { takes: SceneTakeView[] }
    ).takes.map(({ hash }) => hash)
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

test('music is set against the voice and heard with it, from any place of the film', async ({
  page,
}) => {
  // Long enough to be heard while things are done to it, on a slow machine too.
  const asleep = Array.from({ length: 8 }, () => 'nobody in the old tower is asleep').join(', and ')
  const script = `# The light\n\nThe lamp burns all night. Tonight ${asleep}.`
  await newEpisode(page, 'Music', script)
  const id = idOf(page)
  await prepared(page, 2)
  await page.getByRole('link', { name: 'Sound' }).click()
  const film = page.getByRole('contentinfo')
  await expect(film).toContainText(/music 2[2-7] dB below/)
  const below = page.getByLabel('Decibels the music lies below the voice')
  await below.fill('15')
  await below.press('Enter')
  await expect(page.getByText('WCAG 2.2 asks for 20')).toBeVisible()
  await expect(film).toContainText(/music 1[5-8] dB below/)
  await expect
    .poll(async () => (await viewOf(page.request, id)).document.mixing)
    .toEqual({ below: 15, rise: 9, lufs: -14 })
  await film.getByRole('navigation').click({ position: { x: 700, y: 60 } })
  await expect(page.getByRole('heading', { name: /^Scene [2-9]$/ })).toBeVisible()
  await film.getByRole('button', { name: 'Hear the film from here' }).click()
  await expect(film.getByLabel('Loudness of what is heard')).toContainText(/\u2212\d+\.\d/)
  await film.getByRole('button', { name: 'Stop the film' }).click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(film).toContainText(/music 2[2-7] dB below/)

  // Other music under the same voice, before it is taken; a part of it left out.
  // From the beginning, so that it is still heard when a slow machine looks.
  await page.getByText('The lamp burns all night.').first().click()
  await page.getByText('Hear others under the voice').click()
  const other = page.getByRole('list', { name: 'Music' }).getByRole('listitem')
  await other.getByRole('button', { name: 'Hear night music under the voice' }).click()
  await expect(film.getByRole('button', { name: 'Stop the film' })).toBeVisible({ timeout: 60_000 })
  await other.filter({ hasText: 'night' }).getByRole('button', { name: 'Use' }).click()
  await page.getByRole('button', { name: 'bass' }).click()
  await expect
    .poll(async () => (await viewOf(page.request, id)).document)
    .toMatchObject({ mood: 'night', score: { instruments: null, without: ['bass'] } })
})

test('music is another in a chapter, and one\u2019s own where it is wanted', async ({ page }) => {
  await newEpisode(page, 'Chapters', '# Night\n\nThe lamp burns.\n\n# Day\n\nNobody sleeps.')
  const id = idOf(page)
  const script = async () => (await viewOf(page.request, id)).document.script
  await prepared(page, 2)
  await page.getByRole('link', { name: 'Sound' }).click()
  await page.getByText('Nobody sleeps.').click()
  const here = page.getByRole('region', { name: 'Music here' })
  await here.locator('.el-select').nth(1).click()
  await page.getByRole('option', { name: 'tense' }).click()
  await expect.poll(script).toContain('[music: tense] Nobody sleeps.')
  const lane = page.getByTitle('Draw the music up or down under a scene')
  await expect(lane).toContainText('tense')
  // Drawn up under the other scene, it is louder there.
  const box = (await lane.boundingBox())!
  await page.mouse.move(box.x + 60, box.y + 20)
  await page.mouse.down()
  await page.mouse.move(box.x + 60, box.y + 8, { steps: 4 })
  await page.mouse.up()
  await expect.poll(script).toMatch(/\[music: \+\d+ dB, under the scene\] The lamp burns\./)
  await page.getByText('Hear others under the voice').click()
  const file = { name: 'not-music.txt', mimeType: 'text/plain', buffer: Buffer.from('no') }
  await page.getByLabel('Music of your own: files').setInputFiles(file)
  await expect(page.getByRole('alert')).toContainText('cannot be used as music')
})

test('sounds that a script asks for are heard at their words, moved, changed and found', async ({
  page,
}) => {
  await newEpisode(
    page,
    'Sounds',
    '[sound: rain, low] The lamp burns all night. [sound: zither] Nobody sleeps in the old tower.',
  )
  const id = idOf(page)
  const script = async () => (await viewOf(page.request, id)).document.script
  await prepared(page, 2)
  await expect(page.getByText('no sound fits \u201czither\u201d').first()).toBeVisible()
  await page.keyboard.press('u')
  const panel = page.getByRole('region', { name: 'Sounds' })
  await expect(panel).toContainText('Rain, goes on')

  await page.getByRole('link', { name: 'Sound', exact: true }).click()
  const film = page.getByRole('contentinfo')
  const block = film.getByRole('button', { name: 'rain' })
  await block.focus()
  await page.keyboard.press('ArrowRight')
  await expect.poll(script).toMatch(/^The \[sound: rain, low\] lamp/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(script).toMatch(/^\[sound: rain, low\] The lamp/)
  const box = (await block.boundingBox())!
  await page.mouse.move(box.x + 10, box.y + 5)
  await page.mouse.down()
  await page.mouse.move(box.x + 330, box.y + 5, { steps: 5 })
  await page.mouse.up()
  await expect.poll(script).not.toMatch(/^\[sound: rain/)
  await film.getByRole('button', { name: 'Hear the film from here' }).click()
  await film.getByRole('button', { name: 'Music' }).click()
  await expect(film.getByRole('button', { name: 'Music' })).toHaveAttribute('aria-pressed', 'false')

  // What nothing fits is changed for what is found and heard, then made loud.
  const line = panel.getByRole('listitem').filter({ has: page.getByRole('textbox') })
  await page.getByRole('main').getByText('Nobody sleeps').click()
  await expect(panel.getByText('No sound fits these words')).toBeVisible()
  await panel.getByRole('button', { name: 'Another' }).last().click()
  await panel.getByLabel('In place of zither').fill('church bell')
  await panel.getByRole('button', { name: 'Hear A church bell' }).click()
  await expect(panel.getByRole('button', { name: 'Stop: Hear A church bell' })).toBeVisible()
  await panel.getByRole('button', { name: 'Put it in' }).first().click()
  await expect.poll(script).toContain('[sound: A church bell] Nobody')
  await line.locator('.el-select').first().click()
  await page.getByRole('option', { name: 'loud' }).click()
  await expect.poll(script).toContain('[sound: A church bell, loud] Nobody')

  // One's own, and one that is none.
  await panel.getByLabel('Sounds of your own: files').setInputFiles({
    name: 'x.wav',
    mimeType: 'audio/wav',
    buffer: Buffer.from('no sound'),
  })
  await expect(panel.getByRole('alert')).toContainText('cannot be used as a sound')
  await panel.getByRole('button', { name: 'Take A church bell away' }).click()
  await expect.poll(script).not.toContain('church bell')

  // A sound of one's own is named, goes on, lies under the chapter and leaves the shelf.
  const pump = join(mkdtempSync(join(tmpdir(), 'tidy-pump-')), 'old pump.wav')
  execFileSync('ffmpeg', ['-v', 'error', '-f', 'lavfi', '-i', 'anoisesrc=d=2', pump])
  await panel.getByLabel('Sounds of your own: files').setInputFiles(pump)
  await expect.poll(script).toContain('[sound: old pump] Nobody')
  await panel.getByRole('button', { name: 'Take old pump away' }).click()
  await panel.getByLabel('Find a sound').fill('pump')
  await panel.getByText('old pump').click()
  await panel.getByLabel('Called: old pump').fill('Ship pump')
  await panel.getByLabel('Called: old pump').press('Enter')
  const shelf = panel.getByRole('listitem').filter({ hasText: 'Ship pump' })
  await shelf.locator('.el-select').click()
  await page.getByRole('option', { name: 'round and round' }).click()
  await expect(shelf).toContainText('goes on')
  await panel.getByText('its chapter').click()
  await shelf.getByRole('button', { name: 'Put it in' }).click()
  await expect.poll(script).toMatch(/^\[sound: Ship pump, under the chapter\]/)
  await shelf.getByRole('button', { name: 'Take it off the shelf' }).click()
  await expect(shelf).toHaveCount(0)
})

test('a sentence is recorded with the microphone and can be said again', async ({ page }) => {
  await newEpisode(page, 'Recorded', 'The lamp burns all night. Nobody sleeps.')
  const id = idOf(page)
  await page.getByRole('link', { name: 'Sound' }).click()
  await page.getByRole('link', { name: 'Record your own' }).click()
  await page.getByRole('navigation', { name: 'Sentences' }).getByRole('button').first().click()
  await page.keyboard.press('Space')
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  // Chromium's microphone for tests beeps once a second.
  await page.waitForTimeout(2500)
  await page.keyboard.press('Space')
  await expect(page.getByText(/Not heard: the, lamp/)).toBeVisible()
  const take = async () => (await viewOf(page.request, id)).document.scenes[0]!.take
  await expect.poll(take).toMatchObject({ text: 'The lamp burns all night.' })
  await expect(page.getByText('1 of 2 with a take')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(take).toBeUndefined()
})

test('a recording of the whole finds its sentences; what was not read is told; one that is none is refused', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'tidy-e2e-'))
  const file = join(folder, 'whole.wav')
  // A stand-in for a person's reading: a false start, two sentences, the third left out.
  const said = [
    'The lamp burns all',
    'The lamp burns all night above the cold sea.',
    'Nobody sleeps on the rock before the morning.',
  ]
  const inputs = said.flatMap((text) => ['-f', 'lavfi', '-i', `flite=text='${text}':voice=rms`])
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    ...inputs,
    '-filter_complex',
    `${said.map((_, i) => `[${i}]apad=pad_dur=0.8[a${i}]`).join(';')};${said.map((_, i) => `[a${i}]`).join('')}concat=n=3:v=0:a=1`,
    file,
  ])
  await newEpisode(
    page,
    'Whole',
    'The lamp burns all night above the cold sea. Nobody sleeps on the rock before the morning. Then the sun comes up over the water.',
  )
  const id = idOf(page)
  await page.goto(`${address()}/episode/${id}/record`)
  writeFileSync(join(folder, 'text.wav'), 'no sound')
  await page.getByLabel('A recording of the whole').setInputFiles(join(folder, 'text.wav'))
  await expect(page.getByText('This recording cannot be used: it is no sound')).toBeVisible({
    timeout: 30_000,
  })
  await page.getByLabel('A recording of the whole').setInputFiles(file)
  await page.getByRole('button', { name: 'Use these 2 takes' }).click({ timeout: 60_000 })
  await expect(page.getByText('last good one of 2')).toBeVisible()
  await expect(page.getByText('not read')).toBeVisible()
  await expect
    .poll(async () => (await viewOf(page.request, id)).document.scenes.map(({ take }) => !!take))
    .toEqual([true, true, false])
})
