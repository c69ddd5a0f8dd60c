import { Hono } from 'hono'
import { z } from 'zod'
import { Brief, Outline } from '@tidy-reel/core/writing/brief'
import type { Services } from '../services.ts'
import { valid } from './valid.ts'

const Id = z.object({ id: z.uuid() })
const Service = z.object({
  address: z.string().trim().min(1).max(500),
  model: z.string().trim().max(200),
  key: z.string().max(500).optional(),
})

export function writingRoutes({ writing }: Services) {
  return new Hono()
    .get('/writer', async (c) => c.json(await writing.writer()))
    .put('/writer', valid('json', z.object({ service: Service.nullable() })), async (c) => {
      await writing.setWriter(c.req.valid('json').service)
      return c.body(null, 204)
    })
    .get('/episodes/:id/writing', valid('param', Id), async (c) =>
      c.json(await writing.view(c.req.valid('param').id)),
    )
    .put(
      '/episodes/:id/writing',
      valid('param', Id),
      valid('json', z.object({ brief: Brief, outline: Outline.nullable() })),
      async (c) => {
        const { brief, outline } = c.req.valid('json')
        return c.json(await writing.keepBrief(c.req.valid('param').id, brief, outline))
      },
    )
    .post(
      '/episodes/:id/writing/outline',
      valid('param', Id),
      valid('json', z.object({ brief: Brief })),
      async (c) =>
        c.json(
          await writing.outline(
            c.req.valid('param').id,
            c.req.valid('json').brief,
            c.req.raw.signal,
          ),
        ),
    )
    .post(
      '/episodes/:id/writing/draft',
      valid('param', Id),
      valid('json', z.object({ brief: Brief, outline: Outline })),
      async (c) => {
        const { brief, outline } = c.req.valid('json')
        return c.json(
          await writing.draft(c.req.valid('param').id, brief, outline, c.req.raw.signal),
        )
      },
    )
}
