import { mkdtempSync, readdirSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { ownFiles } from '../own/own-files.ts'
import { type Handler, json, photograph, withServer } from '../test/lying-library.ts'
import { makerClient } from './client.ts'

const wish = {
  description: 'A lamp, at night. From a film about light.',
  style: 'linocut',
  without: ['people'],
  shape: 'landscape' as const,
  seed: 7,
}
const photo = readFileSync(photograph('painting', 640, 360))
const folder = () => mkdtempSync(join(tmpdir(), 'tidy-made-'))

/** A maker that paints the same for all, and what it was asked. */
function painter(file: Handler = (_q, response) => void response.end(photo)): {
  handler: Handler
  asked: unknown[]
} {
  const asked: unknown[] = []
  return {
    asked,
    handler: (request, response) => {
      if (request.url!.endsWith('/file')) return file(request, response)
      let body = ''
      request
        .on('data', (chunk) => (body += chunk))
        .on('end', () => {
          const wanted = JSON.parse(body) as { seed: number; variants: number }
          asked.push(wanted)
          json({
            paintings: Array.from({ length: wanted.variants }, (_, i) => ({
              id: `p${i}`,
              seed: wanted.seed + i,
              shows: ['a lamp'],
            })),
          })(request, response)
        })
    },
  }
}

describe('makerClient', () => {
  it('makes variants with seeds that follow each other, kept as pictures of the channel', async () => {
    const { handler, asked } = painter()
    const place = folder()
    const items = await withServer(handler, (address) => makerClient(address, place).make(wish, 4))
    expect(asked).toEqual([{ ...wish, variants: 4 }])
    expect(new Set(items.map(({ id }) => id)).size).toBe(4)
    expect(items[0]).toMatchObject({
      id: expect.stringMatching(/^made-[0-9a-f]{32}$/),
      title: 'A lamp, at night',
      tags: ['a lamp'],
      width: 640,
      height: 360,
      licence: 'Made',
      source: 'Picture maker',
    })
    await ownFiles(place).download(items[0]!, 360, join(place, 'out.jpg'))
    expect(readFileSync(join(place, 'out.jpg'))).toEqual(photo)
  })
  it('asks for the same wish once', async () => {
    const { handler, asked } = painter()
    const place = folder()
    await withServer(handler, async (address) => {
      const maker = makerClient(address, place)
      expect(await maker.make(wish, 2)).toEqual(await maker.make(wish, 2))
    })
    expect(asked).toHaveLength(1)
  })
  it.each<[string, Handler, RegExp]>([
    ['a page for a picture', (_q, response) => void response.end('<html></html>'), /no picture/],
    ['an error', (_q, response) => void response.writeHead(500).end(), /answered 500/],
  ])('says so when it sends %s, and keeps nothing', async (_what, file, why) => {
    const place = folder()
    await expect(
      withServer(painter(file).handler, (address) => makerClient(address, place).make(wish, 1)),
    ).rejects.toThrow(why)
    expect(readdirSync(place)).toEqual([])
  })
  it.each<[string, Handler, string]>([
    ['another shape', json({ pictures: [] }), 'maker_answer_invalid'],
    ['a page', (_q, response) => void response.end('<html>'), 'maker_answer_invalid'],
    ['nothing', (_q, response) => void response.destroy(), 'maker_unreachable'],
  ])('says so when it answers with %s', async (_what, handler, code) => {
    await expect(
      withServer(handler, (address) => makerClient(address, folder(), { searchMs: 500 }).styles()),
    ).rejects.toMatchObject({ code })
  })
})
