import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { APIRequestContext, Page } from '@playwright/test'
import type { Command } from '@tidy-reel/core/document/command'
import { PLAIN_INLAY } from '@tidy-reel/core/pictures/inlay'
import { Item } from '@tidy-reel/core/pictures/item'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import type { Transition } from '@tidy-reel/core/style/transition'
import { apart, expectGolden, ssim } from './golden.ts'
import { address, expect, test } from './stack.ts'
import { change, idOf, newEpisode, prepared, viewOf } from './steps.ts'

const work = mkdtempSync(join(tmpdir(), 'tidy-parity-'))
const WIDE: FilmShape = { width: 960, height: 540, fps: [30, 1], burnIn: true }
const UPRIGHT: FilmShape = { ...WIDE, width: 270, height: 480 }
const SQUARE: FilmShape = { ...WIDE, width: 360, height: 360 }
/** Samples of a frame at 30 a second. */
const FRAME_SAMPLES = 1600

/** A picture of the sea as the stock stand-in has it. */
async function sea(request: APIRequestContext, kind: 'clip' | 'photo'): Promise<Item> {
  const query = `words=sea&kind=${kind}&orientation=landscape&size=hd&origin=stock`
  const answer = await request.get(`${address()}/api/pictures?${query}`)
  const { items } = (await answer.json()) as { items: unknown[] }
  return Item.parse(items[0])
}

const show = (sceneId: string, item: Item): Command => ({
  ...{ type: 'setShot', sceneId, shot: 0, item },
})

/** A drawing of our own with nothing around it. */
const FLAG =
  '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200">' +
  '<path d="M20 190 V10 L280 70 L20 130" fill="#b8432f" stroke="#20252b" stroke-width="12"/></svg>'

/** Pictures over and beside each other: a clip with a still in its corner, a drawing laid over. */
async function laidOver(request: APIRequestContext, sceneId: string): Promise<Command[]> {
  const [clip, photo] = [await sea(request, 'clip'), await sea(request, 'photo')]
  const taken = await request.post(`${address()}/api/own?name=flag.svg`, {
    data: Buffer.from(FLAG),
  })
  const flag = Item.parse(await taken.json())
  const inlay = {
    ...PLAIN_INLAY,
    item: flag,
    at: { across: 0.2, down: 0.45 },
    turn: -12,
    edge: 0,
  } as const
  return [
    show(sceneId, clip),
    {
      type: 'adjustShots',
      target: [sceneId],
      shot: 0,
      set: { layout: { kind: 'corner-right', second: photo } },
    },
    {
      type: 'adjustScenes',
      target: [sceneId],
      set: {
        inlays: [
          inlay,
          {
            ...PLAIN_INLAY,
            item: photo,
            at: { across: 0.5, down: 0.45 },
            size: 0.3,
            round: 0.5,
            comes: 'grow',
          },
        ],
      },
    },
  ]
}

/** Renders an episode and fetches a file of the film. */
async function rendered(request: APIRequestContext, id: string, shape: FilmShape) {
  const asked = await request.post(`${address()}/api/episodes/${id}/renders`, { data: shape })
  const { id: render } = (await asked.json()) as { id: string }
  const state = async () =>
    (await viewOf(request, id)).renders.find((each) => each.id === render)?.state
  await expect.poll(state, { timeout: 120_000, intervals: [500] }).toBe('done')
  return async (name: string) =>
    (await request.get(`${address()}/api/renders/${render}/${name}`)).body()
}

/** One frame of a film as a PNG. */
function frameOf(film: string, frame: number): string {
  const file = `${film}-${frame}.png`
  const select = ['-vf', `select='eq(n,${frame})'`, '-fps_mode', 'passthrough', '-frames:v', '1']
  execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', film, ...select, file])
  return file
}

/** The monitor at a frame, as a PNG. */
async function monitorAt(page: Page, frame: number): Promise<string> {
  await page.getByLabel('Place in the film').evaluate((element, sample) => {
    const range = element as unknown as {
      step: string
      value: string
      dispatchEvent(event: Event): void
    }
    range.step = '1'
    range.value = String(sample)
    range.dispatchEvent(new Event('input'))
  }, frame * FRAME_SAMPLES)
  const screen = page.locator('.screen')
  await expect(screen).toHaveAttribute('data-frame', String(frame), { timeout: 15_000 })
  const file = join(work, `monitor-${frame}.png`)
  await screen.screenshot({ path: file })
  return file
}

const comesBy = (sceneId: string, transition: Transition): Command => ({
  type: 'adjustShots',
  target: [sceneId],
  shot: 0,
  set: { transition },
})

test('the monitor shows what is rendered, and both look as the golden frames do: a moving still, a clip, a dissolve, a card, a heading, drawn bars, pictures over and beside each other, subtitles, the cut on its frame; upright and square too', async ({
  browser,
  request,
}) => {
  const context = await browser.newContext({
    viewport: { width: 1280, height: 800 },
    deviceScaleFactor: 2,
  })
  const page = await context.newPage()
  await newEpisode(
    page,
    'Parity',
    '# The keeper\nThe keeper climbs the stairs. [bars: Ebb 4 m; Flood 12 m] The sea is calm below the lamp. A ship goes by.',
  )
  await prepared(page, 3)
  const id = idOf(page)
  await change(
    request,
    id,
    show('s1', await sea(request, 'photo')),
    show('s2', await sea(request, 'clip')),
    ...(await laidOver(request, 's3')),
    { type: 'setCard', card: 'opening', set: { shown: true, samples: 96_000 } },
    comesBy('s2', { kind: 'dissolve', samples: 48_000 }),
  )
  await request.post(`${address()}/api/episodes/${id}/prepare`)
  const proxies = async () => (await viewOf(request, id)).proxies.length
  await expect.poll(proxies, { timeout: 60_000 }).toBe(3)

  const fetched = await rendered(request, id, WIDE)
  const film = join(work, 'film.mp4')
  writeFileSync(film, await fetched('film.mp4'))
  const rows = (await fetched('shots.csv')).toString().trim().split('\r\n').slice(1)
  const starts = rows.map((row) => Number(row.split(',')[4]))
  expect(starts).toHaveLength(4)
  const [, still, clip, laid] = starts as [number, number, number, number]
  await page.reload()

  const places = {
    card: 30,
    heading: still + 40,
    'still at its start': still + 3,
    'still further on': clip - 10,
    'dissolve half-way': clip + 15,
    clip: clip + 45,
    'laid over, coming': laid + 6,
    'laid over': laid + 40,
  }
  for (const [name, frame] of Object.entries(places)) {
    const [shown, made] = [await monitorAt(page, frame), frameOf(film, frame)]
    const likeness = ssim(shown, made)
    console.log(`parity, ${name}: SSIM ${likeness.toFixed(4)}`)
    expect(likeness, name).toBeGreaterThanOrEqual(0.97)
    const called = name.replace(',', '').replaceAll(' ', '-')
    expectGolden(`${called}.monitor`, shown, 16 / 9)
    expectGolden(`${called}.render`, made, 16 / 9)
  }
  // The change of picture: the frame before it is like the frame before in the film and unlike the
  // one after, and the other way round.
  const [last, first] = [await monitorAt(page, still - 1), await monitorAt(page, still)]
  for (const [shown, same, other] of [
    [last, still - 1, still],
    [first, still, still - 1],
  ] as const) {
    expect(ssim(shown, frameOf(film, same))).toBeGreaterThanOrEqual(0.95)
    expect(ssim(shown, frameOf(film, other))).toBeLessThan(0.9)
  }

  for (const [name, shape] of Object.entries({ upright: UPRIGHT, square: SQUARE })) {
    const file = join(work, `${name}.mp4`)
    writeFileSync(file, await (await rendered(request, id, shape))('film.mp4'))
    const made = frameOf(file, places.heading)
    expectGolden(`heading.${name}.render`, made, shape.width / shape.height)
  }

  await change(
    request,
    id,
    { type: 'setGrade', set: { look: 'harbour', strength: 80, vignette: 40 } },
    { type: 'adjustShots', target: ['s2'], shot: 0, set: { grade: { warmth: 40, exposure: 0.4 } } },
    comesBy('s1', { kind: 'push', samples: 24_000, way: 'up' }),
    comesBy('s3', { kind: 'wipe', samples: 48_000 }),
  )
  const graded = join(work, 'graded.mp4')
  writeFileSync(graded, await (await rendered(request, id, WIDE))('film.mp4'))
  const looks = {
    still: places['still further on'],
    clip: places.clip,
    dissolve: clip + 15,
    push: still + 6,
    wipe: laid + 16,
  }
  for (const grader of ['webgl2', 'none'] as const) {
    // The same without a graphics processor.
    if (grader === 'none')
      await page.addInitScript(`
        const { getContext } = OffscreenCanvas.prototype
        OffscreenCanvas.prototype.getContext = function (kind, ...more) {
          return kind === 'webgl2' ? null : getContext.call(this, kind, ...more)
        }
      `)
    await page.reload()
    const has = await page.evaluate(`!!new OffscreenCanvas(2, 2).getContext('webgl2')`)
    expect(has).toBe(grader === 'webgl2')
    // Letters come after the pictures: they are there by the second frame that is asked for.
    await monitorAt(page, places.card)
    for (const [name, frame] of Object.entries(looks)) {
      const [shown, made] = [await monitorAt(page, frame), frameOf(graded, frame)]
      const likeness = ssim(shown, made)
      const [colours, without] = [apart(shown, made), apart(shown, frameOf(film, frame))]
      console.log(
        `parity, look on a ${name}, ${grader}: SSIM ${likeness.toFixed(4)}, colours ` +
          `${colours.toFixed(1)} apart, ${without.toFixed(1)} from the same without it`,
      )
      expect(likeness, name).toBeGreaterThanOrEqual(0.97)
      expect(colours).toBeLessThan(2.5)
      expect(without).toBeGreaterThan(5)
    }
  }
  await context.close()
})
