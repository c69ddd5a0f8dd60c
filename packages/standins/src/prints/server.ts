import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { Readable } from 'node:stream'
import { Hono } from 'hono'
import MiniSearch from 'minisearch'
import { Files } from '../stock/files.ts'
import { type Sheet, sheets } from './catalogue.ts'
import { openapi } from './openapi.ts'

const SIZES = [1080, 480, 270] as const
const PAGE = { usual: 20, most: 50 }

interface Search {
  any?: unknown
  medium?: unknown
  limit?: unknown
  after?: unknown
}

/**
 * @param options `files`: where made files are kept; `perSecond`: requests it bears from one asker
 */
export function printsServer({
  files: folder,
  perSecond = 40,
}: {
  files: string
  perSecond?: number
}): Hono {
  const all = sheets()
  const files = new Files(folder)
  const index = new MiniSearch<{ id: string; caption: string; subjects: string }>({
    fields: ['caption', 'subjects'],
    searchOptions: { boost: { caption: 2 } },
  })
  index.addAll(
    [...all.values()].map(({ identifier, caption, subjects }) => ({
      id: identifier,
      caption,
      subjects: subjects.join(' '),
    })),
  )
  const tooQuick = counter(perSecond)
  const app = new Hono()

  app.get('/openapi.json', (c) => c.json(openapi))
  app.use('/api/*', async (c, next) =>
    tooQuick() ? c.json({ problem: 'too many requests' }, 429, { 'retry-after': '1' }) : next(),
  )
  app.post('/api/records', async (c) => {
    const search = (await c.req.json().catch(() => undefined)) as Search | undefined
    if (!search || typeof search !== 'object') return c.json({ problem: 'not a search' }, 400)
    const words = Array.isArray(search.any)
      ? search.any
          .filter((word) => typeof word === 'string')
          .slice(0, 20)
          .join(' ')
      : ''
    const fits = ({ medium }: Sheet) => !search.medium || medium === search.medium
    const found = (
      words ? index.search(words).map(({ id }) => all.get(id as string)!) : [...all.values()]
    ).filter(fits)
    const limit = Number.isInteger(search.limit)
      ? Math.min(PAGE.most, Math.max(1, search.limit as number))
      : PAGE.usual
    const from =
      typeof search.after === 'string' ? Math.max(0, Number.parseInt(search.after, 36) || 0) : 0
    return c.json({
      records: found.slice(from, from + limit).map(record),
      next: from + limit < found.length ? (from + limit).toString(36) : null,
    })
  })
  app.get('/api/records/:identifier', (c) => {
    const sheet = all.get(c.req.param('identifier'))
    return sheet ? c.json(record(sheet)) : c.json({ problem: 'no such record' }, 404)
  })
  app.get('/scans/:identifier/:lines', async (c) => {
    const sheet = all.get(c.req.param('identifier'))
    const lines = SIZES.find((size) => String(size) === c.req.param('lines'))
    if (!sheet || !lines) return c.json({ problem: 'no such scan' }, 404)
    const film = sheet.medium === 'film' && lines !== 270
    const file =
      lines === 270 ? await files.thumbnail(sheet.made) : await files.full(sheet.made, lines)
    const { size } = await stat(file)
    return new Response(Readable.toWeb(createReadStream(file)) as ReadableStream, {
      headers: {
        'content-type': film ? 'video/mp4' : 'image/jpeg',
        'content-length': String(size),
      },
    })
  })
  return app
}

function record({ identifier, caption, subjects, medium, technique, maker, rights }: Sheet) {
  const type = medium === 'film' ? 'video/mp4' : 'image/jpeg'
  const scan = (lines: number, kind: string) => ({
    href: `/scans/${identifier}/${lines}`,
    type: kind,
    width: Math.round((lines * 16) / 9),
    height: lines,
  })
  return {
    identifier,
    caption,
    subjects: subjects.join('; '),
    medium,
    technique,
    maker,
    rights,
    landing: `https://harbour-prints.example/sheet/${identifier}`,
    extent: { width: 1920, height: 1080, ...(medium === 'film' ? { duration: 'PT6S' } : {}) },
    preview: scan(270, 'image/jpeg'),
    files: [scan(480, type), scan(1080, type)],
  }
}

/** True when more than so many have asked within the last second. */
function counter(perSecond: number): () => boolean {
  const asked: number[] = []
  return () => {
    const now = Date.now()
    while (asked.length && asked[0]! < now - 1000) asked.shift()
    if (asked.length >= perSecond) return true
    asked.push(now)
    return false
  }
}
