import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { Readable } from 'node:stream'
import { type Context, Hono } from 'hono'
import MiniSearch from 'minisearch'
import { catalogue, type Entry, type StockItem } from './catalogue.ts'
import { Files, HEIGHTS } from './files.ts'
import { openapi } from './openapi.ts'

/** @param folders `media`: pictures unpacked by the set-up; `files`: where made files are kept */
export function stockServer(folders: { media: string; files: string }): Hono {
  const entries = catalogue(folders.media)
  const files = new Files(folders.files)
  const index = indexOf([...entries.values()].map(({ item }) => item))
  const app = new Hono()

  app.get('/openapi.json', (c) => c.json(openapi))
  app.get('/v1/items', (c) => {
    const { q = '', kind, orientation } = c.req.query()
    const page = whole(c.req.query('page'), 1, 10_000, 1)
    const perPage = whole(c.req.query('per_page'), 1, 100, 24)
    const fits = (item: StockItem) =>
      (!kind || item.kind === kind) && (!orientation || item.orientation === orientation)
    const found = q.trim()
      ? index
          .search(q.slice(0, 300))
          .map(({ id }) => entries.get(id as string)!.item)
          .filter(fits)
      : [...entries.values()].map(({ item }) => item).filter(fits)
    return c.json({
      total: found.length,
      page,
      items: found.slice((page - 1) * perPage, page * perPage),
    })
  })
  const withEntry =
    (serve: (c: Context, entry: Entry) => Promise<Response> | Response) => (c: Context) => {
      const entry = entries.get(c.req.param('id') ?? '')
      return entry ? serve(c, entry) : c.json({ error: 'no such item' }, 404)
    }
  app.get(
    '/v1/items/:id',
    withEntry((c, { item }) => c.json(item)),
  )
  app.get(
    '/v1/items/:id/thumbnail',
    withEntry(async (_c, entry) => send(await files.thumbnail(entry), 'image/jpeg')),
  )
  app.get(
    '/v1/items/:id/file',
    withEntry(async (c, entry) => {
      const asked = Number(c.req.query('height') ?? 1080)
      const height = [...HEIGHTS].reverse().find((h) => h >= asked) ?? HEIGHTS[0]
      return send(
        await files.full(entry, height),
        entry.item.kind === 'clip' ? 'video/mp4' : 'image/jpeg',
      )
    }),
  )
  return app
}

function whole(text: string | undefined, low: number, high: number, otherwise: number): number {
  const n = Number(text)
  return text && Number.isInteger(n) ? Math.min(high, Math.max(low, n)) : otherwise
}

function indexOf(items: StockItem[]): MiniSearch {
  const index = new MiniSearch<{ id: string; title: string; tags: string; description: string }>({
    fields: ['title', 'tags', 'description'],
    processTerm: (term) =>
      term
        .toLowerCase()
        .replace(/(?<=[^s]{3})s$/, '')
        .replace(/our$/, 'or'),
    searchOptions: { boost: { title: 2, tags: 1.5 } },
  })
  index.addAll(
    items.map(({ id, title, tags, description }) => ({
      id,
      title,
      tags: tags.join(' '),
      description,
    })),
  )
  return index
}

async function send(file: string, type: string): Promise<Response> {
  const { size } = await stat(file)
  return new Response(Readable.toWeb(createReadStream(file)) as ReadableStream, {
    headers: {
      'content-type': type,
      'content-length': String(size),
      'cache-control': 'public, max-age=86400',
    },
  })
}
