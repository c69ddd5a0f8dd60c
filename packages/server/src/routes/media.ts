import { join } from 'node:path'
import { Hono } from 'hono'
import { z } from 'zod'
import { TidyError } from '@tidy-reel/core/fault'
import { VOICES } from '@tidy-reel/engine/speech/voices'
import type { App } from '../app.ts'
import { sendFile } from './files.ts'
import { valid } from './valid.ts'

const TYPES = { mp4: 'video/mp4', srt: 'application/x-subrip', vtt: 'text/vtt', ass: 'text/plain; charset=utf-8', csv: 'text/csv; charset=utf-8', txt: 'text/plain; charset=utf-8', json: 'application/json' } as const
const FilmFile = z.enum(['film.mp4', 'film.srt', 'film.vtt', 'film.ass', 'shots.csv', 'credits.txt', 'chapters.txt', 'report.json'])
const ItemId = z.object({ id: z.string().regex(/^[\w.-]{1,200}$/) })
const STOCK_LIMIT_MS = 120_000

export function mediaRoutes({ renders, takes, library }: App) {
  const pass = async (address: string) => {
    const answer = await fetch(address, { signal: AbortSignal.timeout(STOCK_LIMIT_MS), redirect: 'error' }).catch(() => {
      throw new TidyError('stock_unreachable', { address: new URL(address).origin })
    })
    if (!answer.ok) throw new TidyError('file_not_ready')
    return new Response(answer.body, { headers: { 'content-type': answer.headers.get('content-type') ?? 'application/octet-stream', 'cache-control': 'private, max-age=86400' } })
  }
  return new Hono()
    .get('/voices', (c) => c.json({ voices: VOICES }))
    .get('/takes/:hash', valid('param', z.object({ hash: z.string().regex(/^[0-9a-f]{32}$/) })), (c) => sendFile(join(takes, `${c.req.valid('param').hash}.wav`), 'audio/wav', { range: c.req.header('range') }))
    .get('/stock', valid('query', z.object({ q: z.string().max(200).default(''), page: z.coerce.number().int().min(1).max(1000).default(1) })), async (c) => {
      const { q, page } = c.req.valid('query')
      return c.json({ items: await library.search({ words: q, page, perPage: 24 }) })
    })
    .get('/stock/:id/thumbnail', valid('param', ItemId), (c) => pass(library.thumbnailAddress(c.req.valid('param').id)))
    .get('/stock/:id/preview', valid('param', ItemId), (c) => pass(library.fileAddress(c.req.valid('param').id, 360)))
    .post('/renders/:id/cancel', valid('param', z.object({ id: z.uuid() })), async (c) => c.json(await renders.cancel(c.req.valid('param').id)))
    .get('/renders/:id/:name', valid('param', z.object({ id: z.uuid(), name: FilmFile })), valid('query', z.object({ save: z.string().max(120).optional() })), async (c) => {
      const { id, name } = c.req.valid('param')
      await renders.find(id)
      const { save } = c.req.valid('query')
      const ending = name.split('.')[1] as keyof typeof TYPES
      return sendFile(join(renders.folder(id), name), TYPES[ending], { range: c.req.header('range'), saveAs: save && `${save.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'film'}.${ending}` })
    })
}
