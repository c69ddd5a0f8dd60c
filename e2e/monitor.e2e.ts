import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Command } from '@tidy-reel/core/document/command'
import { Item } from '@tidy-reel/core/pictures/item'
import { address, expect, test } from './stack.ts'
import { change, idOf, newEpisode, prepared, viewOf } from './steps.ts'

const work = mkdtempSync(join(tmpdir(), 'tidy-parity-'))
const SIZE = { width: 640, height: 360 }

/** SSIM of two pictures at one size, by ffmpeg's `ssim` (Wang et al. 2004). */
function ssim(a: string, b: string): number {
  const scale = `scale=${SIZE.width}:${SIZE.height}:flags=area,format=yuv420p`
  const { stderr } = spawnSync(
    'ffmpeg',
    [
      '-hide_banner',
      '-i',
      a,
      '-i',
      b,
      '-lavfi',
      `[0:v]${scale}[a];[1:v]${scale}[b];[a][b]ssim`,
      '-f',
      'null',
      '-',
    ],
    { encoding: 'utf8' },
  )
  return Number(/All:([\d.]+)/.exec(stderr)![1])
}

test('the monitor shows what is rendered: a moving still, a clip, a dissolve, a card, subtitles, and the cut on its frame', async ({
  browser,
  request,
}) => {
  const page = await (
    await browser.newContext({ viewport: { width: 1280, height: 800 }, deviceScaleFactor: 2 })
  ).newPage()
  await newEpisode(
    page,
    'Parity',
    '# The keeper\nThe keeper climbs the stairs. The sea is calm below the lamp.',
  )
  await prepared(page, 2)
  const id = idOf(page)
  const show = async (sceneId: string, kind: 'clip' | 'photo'): Promise<Command> => {
    const { items } = (await (
      await request.get(
        `${address()}/api/pictures?words=sea&kind=${kind}&orientation=landscape&size=hd&origin=stock`,
      )
    ).json()) as { items: unknown[] }
    return { type: 'setShot', sceneId, shot: 0, item: Item.parse(items[0]) }
  }
  await change(
    request,
    id,
    await show('s1', 'photo'),
    await show('s2', 'clip'),
    { type: 'setCard', card: 'opening', set: { shown: true, samples: 96_000 } },
    {
      type: 'adjustShots',
      target: ['s2'],
      shot: 0,
      set: { transition: { kind: 'dissolve', samples: 48_000 } },
    },
  )
  await request.post(`${address()}/api/episodes/${id}/prepare`)
  await expect
    .poll(async () => (await viewOf(request, id)).proxies.length, { timeout: 60_000 })
    .toBe(2)
  const render = (await (
    await request.post(`${address()}/api/episodes/${id}/renders`, {
      data: { width: 960, height: 540, fps: [30, 1], burnIn: true },
    })
  ).json()) as { id: string }
  await expect
    .poll(async () => (await viewOf(request, id)).renders[0]!.state, {
      timeout: 120_000,
      intervals: [500],
    })
    .toBe('done')
  const film = join(work, 'film.mp4')
  writeFileSync(
    film,
    await (await request.get(`${address()}/api/renders/${render.id}/film.mp4`)).body(),
  )
  const shots = (
    await (await request.get(`${address()}/api/renders/${render.id}/shots.csv`)).text()
  )
    .trim()
    .split('\r\n')
    .slice(1)
    .map((row) => row.split(',').map(Number))
  expect(shots).toHaveLength(3)
  const [still, clip] = [shots[1]![4]!, shots[2]![4]!]
  await page.reload()
  const screen = page.locator('.screen')
  const at = async (frame: number, name: string) => {
    await page.getByLabel('Place in the film').evaluate((element, sample) => {
      const range = element as unknown as {
        step: string
        value: string
        dispatchEvent(event: Event): void
      }
      range.step = '1'
      range.value = String(sample)
      range.dispatchEvent(new Event('input'))
    }, frame * 1600)
    await expect(screen).toHaveAttribute('data-frame', String(frame), { timeout: 15_000 })
    const file = join(work, `${name}.png`)
    await screen.screenshot({ path: file })
    return file
  }
  const rendered = (frame: number) => {
    const file = join(work, `frame-${frame}.png`)
    execFileSync('ffmpeg', [
      '-v',
      'error',
      '-y',
      '-i',
      film,
      '-vf',
      `select='eq(n,${frame})'`,
      '-fps_mode',
      'passthrough',
      '-frames:v',
      '1',
      file,
    ])
    return file
  }
  const places = {
    card: 30,
    heading: still + 40,
    'still at its start': still + 3,
    'still further on': clip - 10,
    'dissolve half-way': clip + 15,
    clip: clip + 45,
  }
  for (const [name, frame] of Object.entries(places)) {
    const likeness = ssim(await at(frame, name.replaceAll(' ', '-')), rendered(frame))
    console.log(`parity, ${name}: SSIM ${likeness.toFixed(4)}`)
    expect(likeness, name).toBeGreaterThanOrEqual(0.95)
  }
  // The change of picture: the frame before it is like the frame before in the film and unlike the
  // one after, and the other way round.
  const [last, first] = [await at(still - 1, 'last'), await at(still, 'first')]
  for (const [shown, same, other] of [
    [last, still - 1, still],
    [first, still, still - 1],
  ] as const) {
    expect(ssim(shown, rendered(same))).toBeGreaterThanOrEqual(0.95)
    expect(ssim(shown, rendered(other))).toBeLessThan(0.9)
  }
  await page.context().close()
})
