import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { describe, expect, it } from 'vitest'
import { folder, type Handler, json, photograph, withServer } from '../../test/lying-library.ts'
import { recordsProvider } from './records.ts'

const record = (identifier: string, more: object = {}) => ({
  identifier,
  caption: 'A lens',
  subjects: 'lens; glass ,light',
  medium: 'print',
  technique: 'engraving',
  maker: 'Somebody',
  rights: 'https://creativecommons.org/licenses/by-sa/4.0/',
  landing: 'https://prints.example/1',
  extent: { width: 1600, height: 900 },
  preview: { href: '/small', type: 'image/jpeg', height: 270 },
  files: [
    { href: '/large', type: 'image/jpeg', height: 1080 },
    { href: '/middle', type: 'image/jpeg', height: 480 },
  ],
  ...more,
})
/** Packed before anybody asks: packing takes longer than the search waits. */
const UNPACKS_TO_64_MB = gzipSync(Buffer.alloc(64 * 1024 * 1024, ' '))
const search = (handler: Handler, query = {}) =>
  withServer(handler, (address) =>
    recordsProvider(address, { searchMs: 1500 }).search({ words: 'lens light', ...query }),
  )
const code = (run: Promise<unknown>) =>
  run.then(
    () => 'none',
    (cause: { code?: string }) => cause.code,
  )

/** Answers requests by what their path and method are. */
const routes =
  (answers: Record<string, Handler>): Handler =>
  (request, response) =>
    (answers[request.url!] ?? ((_q, r) => void r.writeHead(404).end()))(request, response)

describe('searching an archive of records', () => {
  it('reads its records as pictures and passes over those that are none', async () => {
    const items = await search(
      json({
        records: [
          record('A.1'),
          { identifier: 'nonsense' },
          record('A.2', {
            medium: 'film',
            rights: null,
            extent: { width: 900, height: 1600, duration: 'PT1M6.5S' },
            landing: 'javascript:alert(1)',
          }),
        ],
        next: null,
      }),
    )
    expect(items).toEqual([
      {
        id: 'A.1',
        kind: 'photo',
        title: 'A lens',
        description: 'Engraving.',
        tags: ['lens', 'glass', 'light'],
        width: 1600,
        height: 900,
        seconds: null,
        orientation: 'landscape',
        source: 'Harbour Prints',
        licence: 'CC BY-SA 4.0',
        author: 'Somebody',
        link: 'https://prints.example/1',
      },
      {
        id: 'A.2',
        kind: 'clip',
        title: 'A lens',
        description: 'Engraving.',
        tags: ['lens', 'glass', 'light'],
        width: 900,
        height: 1600,
        seconds: 66.5,
        orientation: 'portrait',
        source: 'Harbour Prints',
        licence: '',
        author: 'Somebody',
      },
    ])
  })
  // The addresses are those Creative Commons gives its licences.
  it.each([
    ['https://creativecommons.org/publicdomain/zero/1.0/', 'CC0 1.0'],
    ['http://creativecommons.org/publicdomain/mark/1.0/', 'Public domain'],
    ['https://creativecommons.org/licenses/by-nc/3.0/', 'CC BY-NC 3.0'],
    ['Ask the harbour office', 'Ask the harbour office'],
  ])('calls the rights %s %s', async (rights, name) => {
    expect((await search(json({ records: [record('A.1', { rights })] })))[0]!.licence).toBe(name)
  })
  it('walks to the page that is asked for', async () => {
    const asked: unknown[] = []
    const pages: Handler = (request, response) => {
      let body = ''
      request
        .on('data', (chunk) => (body += chunk))
        .on('end', () => {
          asked.push(JSON.parse(body))
          json({
            records: [record(`P.${asked.length}`)],
            next: asked.length < 3 ? `to-${asked.length}` : null,
          })(request, response)
        })
    }
    expect(
      (await search(pages, { page: 3, kind: 'photo', perPage: 7 })).map(({ id }) => id),
    ).toEqual(['P.3'])
    expect(asked).toEqual(
      [undefined, 'to-1', 'to-2'].map((after) => ({
        any: ['lens', 'light'],
        limit: 7,
        medium: 'print',
        ...(after ? { after } : {}),
      })),
    )
  })
  it('waits when it is told that it is too quick', async () => {
    let times = 0
    const busy: Handler = (request, response) =>
      times++
        ? json({ records: [record('A.1')] })(request, response)
        : void response.writeHead(429, { 'retry-after': '0.1' }).end()
    expect(await search(busy)).toHaveLength(1)
  })
  it.each<[string, Handler]>([
    ['a page for people', (_q, response) => void response.end('<html>Welcome</html>')],
    ['half a JSON', (_q, response) => void response.end('{"records":[{"ident')],
    ['another shape', json({ items: [] })],
    [
      'a small file that unpacks to 64 MB',
      (_q, response) =>
        void response
          .writeHead(200, { 'content-encoding': 'gzip', 'content-type': 'application/json' })
          .end(UNPACKS_TO_64_MB),
    ],
  ])('says that it sent no list of pictures when it sends %s', async (_what, handler) =>
    expect(await code(search(handler))).toBe('stock_answer_invalid'),
  )
  it('gives up one that stalls', async () =>
    expect(await code(search(() => undefined))).toBe('stock_unreachable'))
})

describe('fetching from an archive of records', () => {
  const photo = readFileSync(photograph('print', 640, 360))
  const image: Handler = (_q, response) => void response.end(photo)
  let n = 0
  const fetched = (answers: (address: string) => Record<string, Handler>, height = 360) => {
    let home = ''
    return withServer(
      (request, response) => routes(answers(home))(request, response),
      async (address) => {
        home = address
        const out = join(folder, `record-${n++}`)
        await recordsProvider(address).download({ id: 'A.1', title: 'A lens' }, height, out)
        return readFileSync(out)
      },
    )
  }
  it('takes the smallest file that is large enough', async () => {
    const asked: string[] = []
    const note =
      (name: string): Handler =>
      (request, response) => {
        asked.push(name)
        image(request, response)
      }
    const answers = () => ({
      '/api/records/A.1': json(record('A.1')),
      '/large': note('large'),
      '/middle': note('middle'),
    })
    expect(await fetched(answers)).toEqual(photo)
    await fetched(answers, 720)
    await fetched(answers, 2160)
    expect(asked).toEqual(['middle', 'large', 'large'])
  })
  it('follows it about on its own ground', async () => {
    expect(
      await fetched(() => ({
        '/api/records/A.1': json(record('A.1')),
        '/middle': (_q, r) => void r.writeHead(302, { location: '/moved' }).end(),
        '/moved': image,
      })),
    ).toEqual(photo)
  })
  it.each<[string, string, RegExp]>([
    ['another port of this machine', 'http://127.0.0.1:9/secret', /private network/],
    ['a machine of the network', 'http://192.168.0.1/', /private network/],
    ['the metadata of a cloud', 'http://169.254.169.254/latest', /private network/],
    ['the loopback by name', 'http://localhost:9/', /private network/],
    ['a file', 'file:///etc/passwd', /leads to no file/],
    ['a script', 'javascript:alert(1)', /leads to no file/],
  ])('goes nowhere when a record links to %s', async (_what, href, why) => {
    await expect(
      fetched(() => ({
        '/api/records/A.1': json(record('A.1', { files: [{ href, height: 480 }] })),
      })),
    ).rejects.toMatchObject({ code: 'media_unusable', message: expect.stringMatching(why) })
  })
  it('goes nowhere when it is sent into the network half-way, or round in circles', async () => {
    const sent = (location: string) =>
      fetched(() => ({
        '/api/records/A.1': json(record('A.1')),
        '/middle': (_q, r) => void r.writeHead(302, { location }).end(),
      }))
    await expect(sent('http://127.0.0.1:9/secret')).rejects.toMatchObject({
      message: expect.stringContaining('private network'),
    })
    await expect(sent('/middle')).rejects.toMatchObject({
      message: expect.stringContaining('without an end'),
    })
  })
  it('refuses a file of 2 GB before the first byte', async () => {
    const huge: Handler = (_q, response) => {
      response.writeHead(200, { 'content-length': 2 * 1024 ** 3 })
      response.write('x')
    }
    await expect(
      fetched(() => ({ '/api/records/A.1': json(record('A.1')), '/middle': huge })),
    ).rejects.toMatchObject({
      code: 'media_unusable',
      message: expect.stringContaining('too large'),
    })
  })
})
