import { mkdtempSync, readdirSync, utimesSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { item } from '../test/lying-library.ts'
import type { PictureProvider } from './contract.ts'
import { manySources, type Source } from './many-sources.ts'

const provider = (search: PictureProvider['search'], asked: string[] = []): PictureProvider => ({
  search,
  download: async ({ id }) => void asked.push(`download ${id}`),
  thumbnail: async (id) => void asked.push(`thumbnail ${id}`),
})
const source = (
  key: string,
  search: PictureProvider['search'],
  more: Partial<Source> = {},
): Source => ({ key, name: `library ${key}`, provider: provider(search), perSecond: 1000, ...more })
const dead = async () => {
  throw new TidyError('stock_unreachable', { address: 'http://dead' })
}
const sea = { words: 'sea' }

describe('manySources', () => {
  it('asks all, tells their pictures apart by the source, and finds the source of each again', async () => {
    const asked: string[] = []
    const library = manySources([
      source('', async () => [item('one'), item('two')]),
      source('prints', async () => [item('one')], {
        provider: provider(async () => [item('one')], asked),
      }),
    ])
    expect((await library.search(sea)).items.map(({ id }) => id)).toEqual([
      'one',
      'two',
      'prints.one',
    ])
    await library.thumbnail('prints.one', 'x')
    await library.download({ id: 'prints.one', title: '' }, 360, 'x')
    expect(asked).toEqual(['thumbnail one', 'download one'])
  })
  it('loses the pictures of a dead one alone, says so, and does not ask it again soon', async () => {
    let asked = 0
    const library = manySources([
      source('', async () => [item('one')]),
      source('dead', async () => {
        asked++
        return dead()
      }),
    ])
    const first = await library.search(sea)
    expect(first).toMatchObject({ items: [{ id: 'one' }], faults: [{ code: 'stock_unreachable' }] })
    for (let i = 0; i < 20; i++)
      expect((await library.search({ words: `sea ${i}` })).items).toHaveLength(1)
    expect(asked).toBe(1)
  })
  it('is passed no file of this machine by a library from outside', async () => {
    const library = manySources([
      source('', async () => [
        item('own-0123456789abcdef0123456789abcdef'),
        item('made-x'),
        item('honest'),
      ]),
    ])
    expect((await library.search(sea)).items.map(({ id }) => id)).toEqual(['honest'])
  })
  it('asks no more often than it was told', async () => {
    const at: number[] = []
    const library = manySources([
      source(
        '',
        async () => {
          at.push(Date.now())
          return []
        },
        { perSecond: 50 },
      ),
    ])
    await Promise.all(Array.from({ length: 20 }, (_, i) => library.search({ words: String(i) })))
    // Five in each tenth of a second: the twentieth waits for three of them.
    expect(at.at(-1)! - at[0]!).toBeGreaterThanOrEqual(250)
  })
  it('leaves one that is slow time and again, and asks it again after a while', async () => {
    let asked = 0
    const slow = source('slow', async () => {
      asked++
      await new Promise((resolve) => setTimeout(resolve, 30))
      return [item('late')]
    })
    const library = manySources([source('', async () => [item('one')]), slow], undefined, {
      slowMs: 20,
      slowTimes: 2,
      awayMs: 150,
    })
    for (let i = 0; i < 2; i++)
      expect((await library.search({ words: `sea ${i}` })).items).toHaveLength(2)
    expect(await library.search(sea)).toMatchObject({
      items: [{ id: 'one' }],
      faults: [{ code: 'stock_slow', message: expect.stringContaining('library slow') }],
    })
    expect(asked).toBe(2)
    await new Promise((resolve) => setTimeout(resolve, 160))
    expect((await library.search(sea)).items).toHaveLength(2)
  })
  it('stops when told to', async () => {
    const stop = new AbortController()
    const library = manySources([
      source(
        '',
        (_query, signal) =>
          new Promise((_done, failed) =>
            signal!.addEventListener('abort', () => failed(new Error('aborted'))),
          ),
      ),
    ])
    setTimeout(() => stop.abort(), 30)
    await expect(library.search(sea, stop.signal)).rejects.toMatchObject({ code: 'cancelled' })
  })
  it('says of a picture whose source has gone that it has gone', async () => {
    await expect(
      manySources([source('prints', dead)]).thumbnail('other.one', 'x'),
    ).rejects.toMatchObject({ code: 'media_unusable' })
  })
})

describe('answers kept by manySources', () => {
  const kept = () => mkdtempSync(join(tmpdir(), 'tidy-searches-'))
  const counting = (folder: string) => {
    const count = { asked: 0 }
    return {
      count,
      library: manySources(
        [
          source('', async () => {
            count.asked++
            return [item('one')]
          }),
        ],
        folder,
      ),
    }
  }
  it('are asked for once, by another process too, until a day has gone', async () => {
    const folder = kept()
    const { count, library } = counting(folder)
    await library.search(sea)
    expect(await library.search(sea)).toEqual({ items: [item('one')], faults: [] })
    const other = counting(folder)
    await other.library.search(sea)
    expect([count.asked, other.count.asked]).toEqual([1, 0])
    const [file] = readdirSync(folder)
    const yesterday = Date.now() / 1000 - 25 * 3600
    utimesSync(join(folder, file!), yesterday, yesterday)
    await library.search(sea)
    expect(count.asked).toBe(2)
  })
  it('are asked for again where what was kept cannot be read', async () => {
    const folder = kept()
    const { count, library } = counting(folder)
    await library.search(sea)
    writeFileSync(join(folder, readdirSync(folder)[0]!), '[{"id"')
    expect((await library.search(sea)).items).toHaveLength(1)
    expect(count.asked).toBe(2)
  })
  it('are not kept of a source that failed', async () => {
    const folder = kept()
    await manySources([source('', dead)], folder).search(sea)
    expect(readdirSync(folder)).toEqual([])
  })
})
