import { existsSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { setImmediate } from 'node:timers/promises'
import pLimit from 'p-limit'
import { castOf } from '@tidy-reel/core/pictures/grade/match'
import { type Interest, INTEREST_PIXELS, interestOf } from '@tidy-reel/core/pictures/interest'
import type { ChosenItem } from '@tidy-reel/core/pictures/item'
import { Light, LIGHT_CELLS, lightOf } from '@tidy-reel/core/pictures/light'
import { jsonOf } from '@tidy-reel/core/text/json'
import { MEDIA_INPUT } from '../run/media-input.ts'
import { ProbeFacts } from '../run/probe-facts.ts'
import { runProgram } from '../run/program.ts'
import { contentHash, keptFile } from '../storage/kept-file.ts'
import { keptJson } from '../storage/kept-json.ts'
import { proxyFile } from './proxy.ts'

/** Of a clip, so many frames are looked at, one a second. */
const MOST_FRAMES = 30

/** Where the light of a picture is kept: one for monitor and render, whichever needs it first. */
export const lightFile = (folder: string, id: string) =>
  join(folder, `${contentHash({ id, ...LIGHT_CELLS, version: 3 })}.json`)

/**
 * How light a picture is and where in it there is something to see, looked at once.
 *
 * @param file any copy of it, large or small
 */
export async function pictureLight(
  folder: string,
  { id, kind }: Pick<ChosenItem, 'id' | 'kind'>,
  file: string,
  signal: AbortSignal,
): Promise<Light> {
  const kept = await keptFile(lightFile(folder, id), async (half) => {
    const frames = await framesOf(file, kind, signal)
    const interest: Interest[] = []
    for (const { pixels } of frames) {
      interest.push(interestOf(pixels))
      // Milliseconds each: whoever else waits for this thread comes between.
      await setImmediate()
    }
    const light = lightOf(
      frames.map(({ cells }) => cells),
      await aspectOf(file, signal),
      {
        interest,
        // Of a clip, the light of all its moments together.
        cast: castOf(Buffer.concat(frames.map(({ pixels }) => pixels))),
      },
    )
    await writeFile(half, JSON.stringify(light))
  })
  return keptJson(kept, Light)
}

/** Looked at beside each other. */
const AT_ONCE = 2

/**
 * How light pictures are that there are proxies of; those nobody has looked at are looked at now.
 *
 * @returns by their ids; without those that there is nothing of yet
 */
export async function proxyLights(
  place: { lights: string; proxies: string },
  ids: readonly string[],
  signal: AbortSignal,
): Promise<Record<string, Light>> {
  const limit = pLimit(AT_ONCE)
  const found = await Promise.all(
    ids.map((id) =>
      limit(async () => {
        const kinds = ['clip', 'photo'] as const
        const kind = kinds.find((one) => existsSync(proxyFile(place.proxies, { id, kind: one })))
        if (!kind) return []
        const proxy = proxyFile(place.proxies, { id, kind })
        return [[id, await pictureLight(place.lights, { id, kind }, proxy, signal)] as const]
      }),
    ),
  )
  return Object.fromEntries(found.flat())
}

/** What is looked at of a frame: how light its cells are, and its colours. */
interface LookedAt {
  cells: Uint8Array
  pixels: Uint8Array
}

/** Both are read in one run, one above the other in a picture of RGB. */
async function framesOf(
  file: string,
  kind: ChosenItem['kind'],
  signal: AbortSignal,
): Promise<LookedAt[]> {
  const { across, down } = LIGHT_CELLS
  const { width, height } = INTEREST_PIXELS
  const sampled = kind === 'clip' ? 'fps=1:round=up,' : ''
  const { stdout } = await runProgram(
    'ffmpeg',
    [
      ...['-hide_banner', '-v', 'error', '-nostdin', ...MEDIA_INPUT, '-i', file],
      ...['-frames:v', String(kind === 'clip' ? MOST_FRAMES : 1)],
      '-filter_complex',
      `[0:v]${sampled}split[a][b];` +
        `[a]scale=${across}:${down}:flags=area:out_range=pc,format=gray,format=rgb24,` +
        `pad=${width}:${down}[cells];` +
        `[b]scale=${width}:${height}:flags=area,format=rgb24[pixels];` +
        `[cells]setsar=1[c];[pixels]setsar=1[p];[c][p]vstack`,
      ...['-f', 'rawvideo', '-pix_fmt', 'rgb24', 'pipe:1'],
    ],
    { signal },
  )
  const row = 3 * width
  const size = row * (down + height)
  return Array.from({ length: Math.floor(stdout.length / size) }, (_, n) => {
    const frame = stdout.subarray(n * size, (n + 1) * size)
    const cells = Uint8Array.from({ length: across * down }, (_cell, i) => {
      const [x, y] = [i % across, Math.floor(i / across)]
      return frame[y * row + 3 * x] ?? 0
    })
    return { cells, pixels: frame.subarray(down * row) }
  })
}

async function aspectOf(file: string, signal: AbortSignal): Promise<number> {
  const { stdout } = await runProgram(
    'ffprobe',
    [
      ...['-v', 'error', ...MEDIA_INPUT, '-select_streams', 'v:0'],
      ...['-show_entries', 'stream=width,height', '-of', 'json', file],
    ],
    { signal },
  )
  const { width = 16, height = 9 } = ProbeFacts.parse(jsonOf(stdout.toString())).streams?.[0] ?? {}
  return width / height
}
