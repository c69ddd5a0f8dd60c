import { Hono } from 'hono'
import type { Services } from '../services.ts'
import { EpisodeId } from './episode-id.ts'
import { valid } from './valid.ts'

/** What the scenes of an episode show. */
export const depictionRoutes = ({ depictions }: Services) =>
  new Hono()
    .get('/:id/depictions', valid('param', EpisodeId), async (c) =>
      c.json({ scenes: await depictions.read(c.req.valid('param').id) }),
    )
    .post('/:id/depictions', valid('param', EpisodeId), async (c) =>
      c.json(await depictions.ask(c.req.valid('param').id, c.req.raw.signal)),
    )
