import { existsSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import pLimit from 'p-limit'
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
  join(folder, `${contentHash({ id, ...LIGHT_CELLS, version: 1 })}.json`)

/**
 * How light a picture is, looked at once.
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
    const frames = await greyFrames(file, kind, signal)
    await writeFile(half, JSON.stringify(lightOf(frames, await aspectOf(file, signal))))
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

async function greyFrames(file: string, kind: ChosenItem['kind'], signal: AbortSignal) {
  const { across, down } = LIGHT_CELLS
  const small = `scale=${across}:${down}:flags=area:out_range=pc,format=gray`
  const { stdout } = await runProgram(
    'ffmpeg',
    [
      ...['-hide_banner', '-v', 'error', '-nostdin', ...MEDIA_INPUT, '-i', file],
      ...['-frames:v', String(kind === 'clip' ? MOST_FRAMES : 1)],
      ...['-vf', kind === 'clip' ? `fps=1:round=up,${small}` : small],
      ...['-f', 'rawvideo', 'pipe:1'],
    ],
    { signal },
  )
  const cells = across * down
  return Array.from({ length: Math.floor(stdout.length / cells) }, (_, i) =>
    stdout.subarray(i * cells, (i + 1) * cells),
  )
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
