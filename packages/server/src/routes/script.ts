import { Hono } from 'hono'
import { z } from 'zod'
import { takeOf } from '@tidy-reel/engine/speech/take'
import { scriptChecks } from '../actions/script-checks.ts'
import type { App } from '../app.ts'
import { sendFile } from './files.ts'
import { valid } from './valid.ts'

const Word = z.object({ word: z.string().trim().min(2).max(80) })

/** What is asked about a script while it is written, before any of it is kept. */
export function scriptRoutes({ channels, imports, place }: App) {
  return new Hono()
    .post('/checks', valid('json', z.object({ script: z.string() })), async (c) => c.json(await scriptChecks(channels, c.req.valid('json').script)))
    .get('/say', valid('query', z.object({ text: z.string().trim().min(1).max(1200), voice: z.string().min(1).max(80), speed: z.coerce.number().min(0.6).max(1.6) })), async (c) => {
      const take = await takeOf(place.takes, c.req.valid('query'), c.req.raw.signal)
      return sendFile(take.file, 'audio/wav')
    })
    .post('/import', valid('query', z.object({ name: z.string().trim().min(1).max(300) })), async (c) => c.json(await imports.file(c.req.valid('query').name, Buffer.from(await c.req.arrayBuffer()))))
    .post('/import/link', valid('json', z.object({ address: z.string().trim().min(1).max(2000) })), async (c) => c.json(await imports.link(c.req.valid('json').address, c.req.raw.signal)))
    .get('/channel', async (c) => c.json(await channels.view()))
    .post('/channel/words', valid('json', Word), async (c) => c.json(await channels.addWord(c.req.valid('json').word)))
    .delete('/channel/words', valid('json', Word), async (c) => c.json(await channels.removeWord(c.req.valid('json').word)))
}
