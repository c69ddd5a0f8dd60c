import { mkdtempSync, readFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Item } from '@tidy-reel/core/pictures/item'
import type { FoundView, PictureUse, PictureView } from '@tidy-reel/core/views/library'
import {
  clip,
  type Handler,
  item,
  json,
  photograph,
  withServer,
} from '@tidy-reel/engine/test/lying-library'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let app: FreshApp
beforeAll(async () => {
  app = await freshApp()
})
afterAll(() => app.close())

const media = mkdtempSync(join(tmpdir(), 'tidy-library-'))
const bring = async (name: string, bytes: Buffer, path = '/api/own') => {
  const answer = await app.web.request(`http://localhost${path}?name=${encodeURIComponent(name)}`, {
    method: 'POST',
    headers: { host: 'localhost' },
    body: new Uint8Array(bytes),
  })
  return {
    status: answer.status,
    body: (await answer.json()) as Item & { detail: string; described: number },
  }
}
const listed = async (query = '') =>
  ((await app.ask('GET', `/api/library?${query}`)).body as { pictures: PictureView[] }).pictures
const titles = async (query = '') => (await listed(query)).map(({ item: { title } }) => title)
let n = 0
/** A picture unlike all others, in one colour. */
const painted = async (background: string) => {
  const file = join(media, `${n++}.png`)
  const spot = {
    input: {
      create: { width: 90 + 10 * n, height: 120, channels: 3 as const, background: '#fff' },
    },
    left: 40 * n,
    top: 30 * n,
  }
  await sharp({ create: { width: 1200, height: 700, channels: 3, background } })
    .composite([spot])
    .png()
    .toFile(file)
  return readFileSync(file)
}

describe('own material in the library', () => {
  let harbour: Item
  beforeAll(async () => {
    harbour = (await bring('Seaside/Old harbour.png', await painted('#1648c8'))).body
    await bring('Red barn.png', await painted('#c81818'))
  })
  it('is found by its words, its colour, its shape', async () => {
    expect(await titles('words=harbours')).toEqual(['Old harbour'])
    expect(await titles('colour=red')).toEqual(['Red barn'])
    expect(await titles('orientation=portrait')).toEqual([])
    expect(await titles('shelf=own')).toEqual(['Red barn', 'Old harbour'])
    expect((await app.ask('GET', '/api/library/count?words=harbour')).body).toEqual({ count: 1 })
  })
  it('keeps the words of two people who tag it at once', async () => {
    const tag = (add: string[], remove: string[] = []) =>
      app.ask('POST', '/api/library/tags', { ids: [harbour.id], add, remove })
    await Promise.all([tag(['boats']), tag(['quay', 'rope']), tag(['boats', 'tide'])])
    await tag([], ['rope', 'Seaside'])
    const [found] = await listed('words=tide')
    expect([...found!.item.tags].sort()).toEqual(['boats', 'quay', 'tide'])
  })
  it('is described by hand, and a description that is taken stays when the file comes again', async () => {
    const said = await app.ask('PATCH', `/api/library/${harbour.id}`, {
      title: 'The harbour at Lamp Street',
      description: 'With its old crane.',
      people: true,
    })
    expect(said.body).toMatchObject({ item: { title: 'The harbour at Lamp Street' } })
    await bring('Old harbour.png', readFileSync(join(media, '0.png')))
    expect(await titles('words=crane&people=with')).toEqual(['The harbour at Lamp Street'])
    expect((await app.ask('PATCH', '/api/library/own-none', { title: 'x' })).status).toBe(404)
  })
  it('is described by a sidecar that lies beside it', async () => {
    const xmp =
      '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:subject><rdf:Bag><rdf:li>hay</rdf:li></rdf:Bag></dc:subject><dc:creator><rdf:Seq><rdf:li>A. Farmer</rdf:li></rdf:Seq></dc:creator></rdf:Description></rdf:RDF></x:xmpmeta>'
    expect((await bring('Red barn.xmp', Buffer.from(xmp), '/api/own/sidecar')).body).toEqual({
      described: 1,
    })
    expect((await listed('words=hay'))[0]!.item).toMatchObject({
      title: 'Red barn',
      author: 'A. Farmer',
    })
    expect((await bring('Nobody.xmp', Buffer.from(xmp), '/api/own/sidecar')).body.detail).toContain(
      'no picture of the library is called so',
    )
    expect((await bring('Red barn.xmp', Buffer.from('hello'), '/api/own/sidecar')).status).toBe(415)
    expect(
      (await bring('Red barn.xmp', Buffer.alloc(2 * 1024 * 1024, 'x'), '/api/own/sidecar')).body
        .detail,
    ).toContain('larger than')
  })
  it('goes on when files among many are broken, and says which', async () => {
    const before = (await listed()).length
    const answers = await Promise.all([
      bring('broken.jpg', Buffer.from('no picture')),
      bring('empty.mp4', Buffer.alloc(0)),
      bring('good.png', await painted('#30a030')),
    ])
    expect(answers.map(({ status }) => status)).toEqual([415, 415, 201])
    expect(answers[0].body.detail).toContain('broken.jpg')
    expect(await listed()).toHaveLength(before + 1)
  })
  it('shows which are all but the same', async () => {
    const copy = (
      await bring(
        'copy.jpg',
        await sharp(join(media, '0.png')).resize(600).jpeg({ quality: 60 }).toBuffer(),
      )
    ).body
    const twins = (await app.ask('GET', `/api/library/${copy.id}/twins`)).body as {
      pictures: PictureView[]
    }
    expect(twins.pictures.map(({ item: { id } }) => id)).toEqual([harbour.id])
    expect(new Set((await listed('shelf=alike')).map(({ item: { id } }) => id))).toEqual(
      new Set([harbour.id, copy.id]),
    )
  })
  it('is gathered in collections, taken out and put back', async () => {
    await app.ask('POST', '/api/library/collect', {
      ids: [harbour.id],
      name: 'Boats',
      inside: true,
    })
    expect((await app.ask('GET', '/api/library/collections')).body).toEqual({
      collections: [{ name: 'Boats', pictures: 1 }],
    })
    expect(await titles('collection=Boats')).toHaveLength(1)
    await app.ask('POST', '/api/library/remove', { ids: [harbour.id], removed: true })
    expect(await titles('collection=Boats')).toEqual([])
    await app.ask('POST', '/api/library/remove', { ids: [harbour.id], removed: false })
    await app.ask('POST', '/api/library/collect', {
      ids: [harbour.id],
      name: 'Boats',
      inside: false,
    })
    expect((await app.ask('GET', '/api/library/collections')).body).toEqual({ collections: [] })
  })
  it('of a clip has its pieces, once they have been looked for', async () => {
    const { body } = await bring('Wave.mp4', readFileSync(clip('library-wave', 2)))
    await app.app.pictures.cut(body.id, new AbortController().signal)
    expect(await titles('words=wave')).toEqual(['Wave'])
    const preview = await app.web.request(`http://localhost/api/pictures/${body.id}/preview`, {
      headers: { host: 'localhost' },
    })
    expect([preview.status, preview.headers.get('content-type')]).toEqual([200, 'video/mp4'])
    expect(Buffer.from(await preview.arrayBuffer()).toString('latin1', 4, 8)).toBe('ftyp')
  })
})

describe('pictures a person chose', () => {
  it('are in the library with what matching knew of them, and say where they are used', async () => {
    const { id } = (
      await app.ask('POST', '/api/episodes', {
        title: 'Wells',
        script: 'A well is deep. It is cold.',
      })
    ).body as { id: string }
    const well = item('well', 'photo', { tags: ['water', 'stone'], title: 'A stone well' })
    const { scenes } = (await app.app.episodes.find(id)).document
    await app.ask('POST', `/api/episodes/${id}/commands`, {
      revision: 1,
      command: { type: 'layShots', sceneId: scenes[1]!.id, items: [well] },
    })
    expect(await titles('shelf=recent')).toEqual(['A stone well'])
    const { uses } = (await app.ask('GET', '/api/library/well/uses')).body as { uses: PictureUse[] }
    expect(uses).toEqual([{ episodeId: id, title: 'Wells', scenes: [2] }])
  })
  it('are marked as favourites, and then looked for when films are matched', async () => {
    const lamp = item('lamp', 'photo', { tags: ['lantern'], title: 'A brass lamp' })
    await app.ask('PUT', '/api/library/favourite', { item: lamp, favourite: true })
    expect(await titles('shelf=favourites')).toEqual(['A brass lamp'])
    const found = await app.app.library.shelf().search({ words: 'lantern wall' })
    expect(found.map(({ id }) => id)).toEqual(['lamp'])
    await app.ask('PUT', '/api/library/favourite', { item: lamp, favourite: false })
    expect(await app.app.library.shelf().search({ words: 'lantern' })).toEqual([])
  })
})

describe('a sticker', () => {
  const sticker = (method: string, rest: string) => app.ask<Item>(method, `/api/stickers${rest}`)
  it('is found, seen, and taken into the library with its credit, once', async () => {
    const { stickers } = (
      await app.ask<{ stickers: { name: string }[] }>('GET', '/api/stickers?words=an%20anchor')
    ).body
    expect(stickers[0]).toEqual({ name: 'anchor', title: 'anchor' })
    const taken = await sticker('POST', '/anchor')
    expect([taken.status, taken.body]).toMatchObject([
      201,
      { kind: 'photo', title: 'anchor', licence: 'MIT', source: 'Fluent Emoji' },
    ])
    expect((await sticker('POST', '/anchor')).body.id).toBe(taken.body.id)
    expect(await titles('words=anchor')).toEqual(['anchor'])
  })
  it('that is none is said to be none', async () => {
    const none = await sticker('POST', '/no-such-thing')
    expect([none.status, none.body]).toMatchObject([404, { code: 'file_not_found' }])
    expect((await sticker('POST', '/..%2Ficons')).status).toBe(400)
    expect((await sticker('GET', '/no-such-thing')).status).toBe(404)
  })
})

describe('pictures turned down', () => {
  it('as ugly in one film are wanted in none, until they are wanted again', async () => {
    const { id } = (
      await app.ask('POST', '/api/episodes', { title: 'Doors', script: 'A door is shut.' })
    ).body as { id: string }
    const door = item('door', 'photo', { title: 'A door', author: 'Somebody' })
    const refuse = (revision: number, reason: string | null) =>
      app.ask('POST', `/api/episodes/${id}/commands`, {
        revision,
        command: {
          type: 'refusePicture',
          item: door,
          refusal: reason && { reason, sentence: 'A door is shut.', words: ['door'] },
        },
      })
    await refuse(1, 'sense')
    expect(await titles('shelf=refused')).toEqual([])
    await refuse(2, 'ugly')
    expect(await titles('shelf=refused')).toEqual(['A door'])
    expect(await titles('words=door')).toEqual([])
    expect(
      (await app.app.library.refusals()).map(({ item: { title }, reason }) => [title, reason]),
    ).toEqual([['A door', 'ugly']])
    await app.ask('PUT', '/api/library/refused', { item: door, reason: null })
    expect(await app.app.library.refusals()).toEqual([])
  })
})

describe('looking for pictures everywhere', () => {
  const stock: Handler = (request, response) => {
    const page = Number(new URL(request.url!, 'http://x').searchParams.get('page') ?? 1)
    json({
      items:
        page > 3
          ? []
          : Array.from({ length: 24 }, (_, i) =>
              item(`sea-${page}-${i}`, i % 8 === 0 ? 'clip' : 'photo', {
                title: i % 4 < 2 ? 'A fisherman at sea' : 'The sea',
                licence: i % 3 ? 'CC0' : '',
              }),
            ),
    })(request, response)
  }
  const find = (query: string) =>
    withServer(stock, async (address) => {
      const other = await freshApp(address)
      try {
        const { body } = await other.ask<FoundView>('GET', `/api/pictures?words=sea&${query}`)
        return body
      } finally {
        await other.close()
      }
    })
  it('brings a page, and looks further where a filter leaves little', async () => {
    const page = await find('')
    expect(page).toMatchObject({ items: { length: 24 }, remarks: [], more: true })
    // Of two things that come by twos, one of each goes first.
    expect(page.items.slice(0, 4).map(({ title }) => title)).toEqual([
      'A fisherman at sea',
      'The sea',
      'A fisherman at sea',
      'The sea',
    ])
    const alone = await find('kind=clip&licence=usable&people=with')
    expect(alone.items.length).toBeGreaterThan(4)
    expect(alone.items.every((each) => each.kind === 'clip' && each.licence === 'CC0')).toBe(true)
  })
  it('says which library does not answer and brings what the others have', async () => {
    await bring('Sea wall.png', await painted('#a0a0a0'))
    const found = (await app.ask('GET', '/api/pictures?words=sea')).body as FoundView
    expect(found.items.map(({ title }) => title)).toEqual(['Sea wall'])
    expect(found.remarks).toEqual([expect.stringContaining('does not answer')])
  })
  it.each([
    'kind=poster',
    'colour=ultraviolet',
    'seconds=-1',
    'page=0',
    `words=${'x'.repeat(400)}`,
  ])('refuses %.20s with a sentence', async (query) => {
    expect(await app.ask('GET', `/api/pictures?${query}`)).toMatchObject({
      status: 400,
      body: { code: 'input_invalid' },
    })
  })
  it.each(["' or 1=1 --", '"', '!!! & |', '<script>', '海', '\\', ':*'])(
    'looks for %s without harm',
    async (asked) => {
      expect((await app.ask('GET', `/api/library?words=${encodeURIComponent(asked)}`)).status).toBe(
        200,
      )
      expect(await app.app.library.shelf().search({ words: asked })).toEqual([])
    },
  )
})

describe('made pictures', () => {
  it('say that there is no maker where none is set up', async () => {
    expect((await app.ask('GET', '/api/pictures/styles')).body).toEqual({ styles: [] })
    expect(
      await app.ask('POST', '/api/pictures/made', {
        description: 'A lamp',
        style: 'paper',
        seed: 1,
      }),
    ).toMatchObject({ status: 503, body: { code: 'maker_missing' } })
  })
  it('are pictures of the library from then on', async () => {
    const photo = readFileSync(photograph('made', 640, 360))
    const maker: Handler = (request, response) =>
      request.url!.endsWith('/file')
        ? void response.end(photo)
        : json({ paintings: [{ id: 'p', seed: 5, shows: ['a lamp'] }] })(request, response)
    await withServer(maker, async (address) => {
      const other = await freshApp('http://127.0.0.1:1', 'http://127.0.0.1:1', address)
      const made = await other.ask('POST', '/api/pictures/made', {
        description: 'A lamp on a shelf.',
        style: 'paper',
        seed: 5,
        variants: 1,
      })
      expect(made).toMatchObject({
        status: 201,
        body: { items: [{ title: 'A lamp on a shelf', licence: 'Made' }] },
      })
      const [kept] = (
        (await other.ask('GET', '/api/library?shelf=made&words=lamp')).body as {
          pictures: PictureView[]
        }
      ).pictures
      expect(kept!.sharpness).toBeGreaterThan(0)
      await other.close()
    })
  })
})

describe('a list of pictures', () => {
  it('describes the picture it names, a thousand rows at once', async () => {
    await bring('Green gate.png', await painted('#18a838'))
    const rows = Array.from({ length: 1200 }, (_, i) => `file ${i}.jpg,No such file,`)
    const answer = await bring(
      'list.csv',
      Buffer.from(
        `file,title,keywords\n${rows.join('\n')}\nGreen gate.png,A gate near the shore,"barn; field, gate"\n,Nameless,\n`,
      ),
      '/api/own/list',
    )
    expect(answer).toEqual({
      status: 200,
      body: {
        described: 1,
        unknown: 1200,
        called: ['file 0.jpg', 'file 1.jpg', 'file 2.jpg', 'file 3.jpg', 'file 4.jpg'],
        skipped: [{ row: 1202, reason: 'no file is named' }],
      },
    })
    const [gate] = await listed('words=gate')
    expect(gate!.item).toMatchObject({
      title: 'A gate near the shore',
      tags: ['barn', 'field', 'gate'],
      licence: 'Own',
    })
    const csv = await (
      await app.web.request('http://localhost/api/library/list.csv', {
        headers: { host: 'localhost' },
      })
    ).text()
    expect(csv).toContain(
      `${gate!.item.id},Green gate.png,A gate near the shore,,barn; field; gate`,
    )
    expect(
      (
        await bring(
          'list.json',
          Buffer.from(JSON.stringify([{ id: gate!.item.id, licence: 'CC BY 4.0', author: 'Ann' }])),
          '/api/own/list',
        )
      ).body.described,
    ).toBe(1)
    expect(await titles('licence=credit&words=field')).toEqual(['A gate near the shore'])
    for (const [text, reason] of [
      ['', 'cannot be told apart'],
      ['{"a":', 'not JSON'],
      ['PK\u0003\u0004', 'cannot be told apart'],
    ] as const)
      expect(await bring('odd.csv', Buffer.from(text), '/api/own/list')).toMatchObject({
        status: 422,
        body: { detail: expect.stringContaining(reason) },
      })
  })
})
