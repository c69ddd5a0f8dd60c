/**
 * A stock library over HTTP that behaves badly on purpose, and a plain one in memory; for tests.
 */
import { execFileSync } from 'node:child_process'
import { copyFileSync, mkdtempSync, readFileSync } from 'node:fs'
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Item } from '@tidy-reel/core/pictures/item'
import type { PictureLibrary } from '../stock/contract.ts'

export const folder = mkdtempSync(join(tmpdir(), 'tidy-media-'))

/** A JPEG with a gradient and shapes, so that movement in it can be followed. */
export function photograph(name: string, width = 1600, height = 900): string {
  const file = join(folder, `${name}.jpg`)
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-f',
    'lavfi',
    '-i',
    `testsrc2=s=${width}x${height}:r=1,gblur=2`,
    '-frames:v',
    '1',
    '-q:v',
    '2',
    file,
  ])
  return file
}

export function clip(name: string, seconds = 3, rate = '30'): string {
  const file = join(folder, `${name}.mp4`)
  execFileSync('ffmpeg', [
    '-v',
    'error',
    '-y',
    '-f',
    'lavfi',
    '-i',
    `testsrc2=s=640x360:r=${rate}:d=${seconds}`,
    '-pix_fmt',
    'yuv420p',
    '-c:v',
    'libx264',
    '-preset',
    'ultrafast',
    file,
  ])
  return file
}

export const item = (id: string, kind: Item['kind'] = 'photo', more: Partial<Item> = {}): Item =>
  Item.parse({
    id,
    kind,
    title: `A ${id}`,
    tags: [id],
    width: 1600,
    height: 900,
    seconds: kind === 'clip' ? 3 : null,
    source: 'test',
    licence: 'CC0',
    author: 'nobody',
    ...more,
  })

/** A library in memory: items and the files they are. */
export function memoryLibrary(
  files: Record<string, string>,
  items: readonly Item[] = Object.entries(files).map(([id, file]) =>
    item(id, file.endsWith('.mp4') ? 'clip' : 'photo'),
  ),
): PictureLibrary {
  return {
    search: async ({ words }) => ({
      items: items.filter(({ tags }) => !words || tags.some((tag) => words.includes(tag))),
      faults: [],
    }),
    download: async ({ id }, _height, out) => copyFileSync(files[id]!, out),
    thumbnail: async (id, out) => copyFileSync(files[id]!, out),
  }
}

export type Handler = (request: IncomingMessage, response: ServerResponse) => void

/** Runs with the address of a server that answers as told. */
export async function withServer<T>(
  handler: Handler,
  run: (address: string) => Promise<T>,
): Promise<T> {
  const server = createServer(handler)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  try {
    return await run(`http://127.0.0.1:${(server.address() as AddressInfo).port}`)
  } finally {
    server.closeAllConnections()
    server.close()
  }
}

export const json =
  (body: unknown): Handler =>
  (_request, response) => {
    response.setHeader('content-type', 'application/json')
    response.end(JSON.stringify(body))
  }
export const bytes =
  (file: string, share = 1): Handler =>
  (_request, response) => {
    const whole = readFileSync(file)
    response.setHeader('content-length', whole.length)
    response.write(whole.subarray(0, whole.length * share))
    if (share < 1) setTimeout(() => response.destroy(), 30)
    else response.end()
  }
