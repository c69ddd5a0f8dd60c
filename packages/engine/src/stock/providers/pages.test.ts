import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { fetchFootage } from '../../render/footage.ts'
import {
  bytes,
  clip,
  folder,
  type Handler,
  item,
  json,
  photograph,
  withServer,
} from '../../test/lying-library.ts'
import { pagesProvider } from './pages.ts'

const never = new AbortController().signal
const code = (run: Promise<unknown>) =>
  run.then(
    () => 'none',
    (cause: { code?: string }) => cause.code,
  )
const search = (handler: Handler) =>
  withServer(handler, (address) => code(pagesProvider(address).search({ words: 'sea' })))

describe('searching a stock library', () => {
  it('reads its items and passes over those that are none', async () => {
    const answer = json({
      total: 3,
      page: 1,
      items: [item('sea'), { id: '', nonsense: true }, 'what?', item('lamp')],
    })
    const found = await withServer(answer, (address) =>
      pagesProvider(address).search({ words: 'sea' }),
    )
    expect(found.map(({ id }) => id)).toEqual(['sea', 'lamp'])
  })
  it('asks with every part of the query, safely written', async () => {
    let asked = ''
    await withServer(
      (request, response) => {
        asked = request.url!
        json({ items: [] })(request, response)
      },
      (address) =>
        pagesProvider(address).search({
          words: 'sea & "sky"/../?x=1',
          kind: 'clip',
          orientation: 'portrait',
          page: 2,
          perPage: 5,
        }),
    )
    const query = new URL(asked, 'http://x').searchParams
    expect(Object.fromEntries(query)).toEqual({
      q: 'sea & "sky"/../?x=1',
      kind: 'clip',
      orientation: 'portrait',
      page: '2',
      per_page: '5',
    })
  })
  it('says that a library does not answer', async () =>
    expect(await code(pagesProvider('http://127.0.0.1:1').search({ words: 'sea' }))).toBe(
      'stock_unreachable',
    ))
  it.each<[string, Handler]>([
    ['a page for people', (_q, response) => void response.end('<html>Welcome</html>')],
    ['an error', (_q, response) => void response.writeHead(500).end('{}')],
    ['another shape', json({ results: [] })],
    ['a list of a million', json({ items: Array.from({ length: 2000 }, () => item('sea')) })],
  ])('says that it sent no list of pictures when it sends %s', async (_what, handler) =>
    expect(await search(handler)).toBe('stock_answer_invalid'),
  )
  it('does not follow it elsewhere', async () => {
    expect(
      await search(
        (_q, response) => void response.writeHead(302, { location: 'http://127.0.0.1:1/' }).end(),
      ),
    ).toBe('stock_unreachable')
  })
  it('gives up one that never answers, in the time allowed', async () => {
    const silent: Handler = () => undefined
    expect(
      await withServer(silent, (address) =>
        code(pagesProvider(address, { searchMs: 150 }).search({ words: 'sea' })),
      ),
    ).toBe('stock_unreachable')
  })
  it('stops when told to', async () => {
    const stop = new AbortController()
    setTimeout(() => stop.abort(), 50)
    expect(
      await withServer(
        () => undefined,
        (address) => code(pagesProvider(address).search({ words: 'sea' }, stop.signal)),
      ),
    ).toBe('cancelled')
  })
})

describe('fetching footage from a library that lies', () => {
  const moving = clip('moving')
  let n = 0
  const fetched = (handler: Handler, wanted = item('sea')) =>
    withServer(handler, async (address) => {
      const place = join(folder, `fetch-${n++}`)
      const { files, faults } = await fetchFootage(
        place,
        pagesProvider(address, { fileMs: 1500 }),
        [wanted],
        360,
        never,
        () => undefined,
      )
      return { file: files.get(wanted.id)?.path, fault: faults[0]?.fault }
    })
  it('keeps a picture that is what it was said to be, and asks once', async () => {
    let times = 0
    const photo = photograph('honest')
    await withServer(
      (request, response) => {
        times++
        bytes(photo)(request, response)
      },
      async (address) => {
        const fetchIt = () =>
          fetchFootage(
            join(folder, 'honest'),
            pagesProvider(address),
            [item('sea'), item('sea')],
            360,
            never,
            () => undefined,
          )
        expect(existsSync((await fetchIt()).files.get('sea')!.path)).toBe(true)
        await fetchIt()
      },
    )
    expect(times).toBe(1)
  })
  it.each<[string, Handler, RegExp, ReturnType<typeof item>?]>([
    [
      'a page for people',
      (_q, response) => void response.end('<html>Not found</html>'),
      /no picture/,
    ],
    ['nothing', (_q, response) => void response.end(), /no picture/],
    ['404', (_q, response) => void response.writeHead(404).end(), /answered 404/],
    ['half a file', bytes(photograph('half'), 0.5), /half-way/],
    ['a still for a clip', bytes(photograph('still')), /still/, item('sea', 'clip')],
  ])(
    'leaves out a picture for which it sends %s, and says why',
    async (_what, handler, why, wanted) => {
      const { file, fault } = await fetched(handler, wanted)
      expect(file).toBeUndefined()
      expect(fault).toMatchObject({ code: 'media_unusable' })
      expect(fault!.message).toMatch(why)
      expect(fault!.message).toContain('A sea')
    },
  )
  it('takes a clip for a photograph as a picture all the same', async () => {
    expect((await fetched(bytes(moving))).file).toBeDefined()
  })
  it('gives up a library that stalls', async () =>
    expect((await fetched(() => undefined)).fault).toMatchObject({ code: 'stock_unreachable' }))
  it('gives up a file that never ends, and says so', async () => {
    const drip: Handler = (_q, response) => {
      response.write('x')
      setInterval(() => response.write('x'), 40).unref()
    }
    expect((await fetched(drip)).fault!.message).toContain('did not come to an end')
  })
  it('asks a library that is away once, not for every picture', async () => {
    let asked = 0
    await withServer(
      (_q, response) => {
        asked++
        response.destroy()
      },
      (address) =>
        fetchFootage(
          join(folder, 'away'),
          pagesProvider(address),
          Array.from({ length: 20 }, (_, i) => item(`sea${i}`)),
          360,
          never,
          () => undefined,
        ),
    )
    expect(asked).toBeLessThanOrEqual(4)
  })
})
