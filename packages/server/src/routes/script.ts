import { Hono } from 'hono'
import { z } from 'zod'
import { scriptChecks } from '../actions/script-checks.ts'
import type { Services } from '../services.ts'
import { bodyOf } from './body.ts'
import { valid } from './valid.ts'

const Word = z.object({ word: z.string().trim().min(2).max(80) })

/** What is asked about a script while it is written, before any of it is kept. */
export function scriptRoutes({ channels, imports, pool }: Services) {
  return new Hono()
    .post('/checks', valid('json', z.object({ script: z.string() })), async (c) =>
      c.json(await scriptChecks(channels, pool, c.req.valid('json').script)),
    )
    .post(
      '/import',
      valid('query', z.object({ name: z.string().trim().min(1).max(300) })),
      async (c) => c.json(await imports.file(c.req.valid('query').name, bodyOf(c.req.raw))),
    )
    .post(
      '/import/subtitles',
      valid('query', z.object({ name: z.string().trim().min(1).max(300) })),
      async (c) => c.json(await imports.subtitles(c.req.valid('query').name, bodyOf(c.req.raw))),
    )
    .post(
      '/import/link',
      valid('json', z.object({ address: z.string().trim().min(1).max(2000) })),
      async (c) => c.json(await imports.link(c.req.valid('json').address, c.req.raw.signal)),
    )
    .get('/channel', async (c) => c.json(await channels.view()))
    .post('/channel/words', valid('json', Word), async (c) =>
      c.json(await channels.addWord(c.req.valid('json').word)),
    )
    .delete('/channel/words', valid('json', Word), async (c) =>
      c.json(await channels.removeWord(c.req.valid('json').word)),
    )
}
