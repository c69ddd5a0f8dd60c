import { Hono } from 'hono'
import { z } from 'zod'
import { defined } from '@tidy-reel/core/text/defined'
import { Idea, OfferedChannel } from '@tidy-reel/core/topics/topic-views'
import type { Services } from '../services.ts'
import { bodyOf } from './body.ts'
import { valid } from './valid.ts'

const Id = z.object({ id: z.uuid() })
const Fields = Idea.pick({ title: true, notes: true, subject: true, state: true })

export function topicRoutes({ topics }: Services) {
  return new Hono()
    .get('/', async (c) => c.json(await topics.view(Date.now())))
    .get('/offered', async (c) => c.json({ channels: await topics.offered(c.req.raw.signal) }))
    .post('/channels', valid('json', OfferedChannel.pick({ id: true, name: true })), async (c) => {
      await topics.follow(c.req.valid('json'), c.req.raw.signal)
      return c.body(null, 204)
    })
    .post(
      '/channels/list',
      valid('query', z.object({ name: z.string().trim().min(1).max(200) })),
      async (c) => c.json(await topics.importList(c.req.valid('query').name, bodyOf(c.req.raw))),
    )
    .post('/channels/:id/own', valid('param', Id), async (c) => {
      await topics.makeOwn(c.req.valid('param').id)
      return c.body(null, 204)
    })
    .delete('/channels/:id', valid('param', Id), async (c) => {
      await topics.unfollow(c.req.valid('param').id)
      return c.body(null, 204)
    })
    .post('/ideas', valid('json', Fields), async (c) =>
      c.json(await topics.addIdea(c.req.valid('json')), 201),
    )
    .patch('/ideas/:id', valid('param', Id), valid('json', Fields.partial()), async (c) =>
      c.json(await topics.changeIdea(c.req.valid('param').id, defined(c.req.valid('json')))),
    )
    .delete('/ideas/:id', valid('param', Id), async (c) => {
      await topics.removeIdea(c.req.valid('param').id)
      return c.body(null, 204)
    })
    .post('/ideas/:id/episode', valid('param', Id), async (c) =>
      c.json(await topics.beginEpisode(c.req.valid('param').id), 201),
    )
}
