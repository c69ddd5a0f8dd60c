import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { brotliCompressSync, brotliDecompressSync, gunzipSync, gzipSync } from 'node:zlib'
import { beforeAll, describe, expect, it } from 'vitest'
import { clientFiles } from './client-files.ts'

const PAGE = '<!doctype html><title>Tidy Reel</title>'
const CODE = 'console.log("a lamp")\n'.repeat(50)
const web = mkdtempSync(join(tmpdir(), 'tidy-client-'))
const ask = (path: string, headers: Record<string, string> = {}) =>
  clientFiles(web).request(`http://localhost${path}`, { headers })

beforeAll(() => {
  mkdirSync(join(web, 'assets'))
  for (const [name, text] of [
    ['index.html', PAGE],
    ['assets/room-1a2b.js', CODE],
  ] as const) {
    writeFileSync(join(web, name), text)
    writeFileSync(join(web, `${name}.br`), brotliCompressSync(text))
    writeFileSync(join(web, `${name}.gz`), gzipSync(text))
  }
})

describe('clientFiles', () => {
  it('sends what was packed at the build, in the packing that is asked for (RFC 9110, 12.5.3)', async () => {
    const packings = [
      ['br', brotliDecompressSync],
      ['gzip', gunzipSync],
    ] as const
    for (const [packing, unpack] of packings) {
      const answer = await ask('/assets/room-1a2b.js', { 'accept-encoding': packing })
      expect(answer.headers.get('content-encoding')).toBe(packing)
      expect(answer.headers.get('vary')).toMatch(/accept-encoding/i)
      expect(unpack(Buffer.from(await answer.arrayBuffer())).toString()).toBe(CODE)
    }
    expect(await (await ask('/assets/room-1a2b.js')).text()).toBe(CODE)
  })
  it('has files that are named by their content kept for ever, the page asked about each time', async () => {
    const file = await ask('/assets/room-1a2b.js')
    expect(file.headers.get('cache-control')).toBe('public, max-age=31536000, immutable')
    const page = await ask('/')
    expect(page.headers.get('cache-control')).toBe('no-cache')
    const again = await ask('/', { 'if-none-match': page.headers.get('etag')! })
    expect(again.status).toBe(304)
  })
  it.each(['/', '/episode/1/sheet', '/library', '/episode/a%20b/script'])(
    'answers the address of a room, %s, with the page',
    async (path) => expect(await (await ask(path)).text()).toBe(PAGE),
  )
  it.each(['/assets/gone-3c4d.js', '/favicon.ico', '/../package.json', '/assets/%2e%2e/index.htm'])(
    'says that a file which is not there, %s, is not there',
    async (path) => expect((await ask(path)).status).toBe(404),
  )
})
