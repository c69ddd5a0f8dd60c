import { Hono } from 'hono'
import { z } from 'zod'
import type { Services } from '../services.ts'
import { EpisodeId } from './episode-id.ts'
import { valid } from './valid.ts'

const VersionId = EpisodeId.extend({ version: z.uuid() })

/** Versions of an episode that somebody kept under a name. */
export function versionRoutes({ versions }: Services) {
  return new Hono()
    .get('/:id/versions', valid('param', EpisodeId), async (c) =>
      c.json({ versions: await versions.list(c.req.valid('param').id) }),
    )
    .post(
      '/:id/versions',
      valid('param', EpisodeId),
      valid('json', z.object({ name: z.string().trim().min(1).max(120) })),
      async (c) =>
        c.json(await versions.keep(c.req.valid('param').id, c.req.valid('json').name), 201),
    )
    .get('/:id/versions/:version', valid('param', VersionId), async (c) => {
      const { id, version } = c.req.valid('param')
      return c.json(await versions.read(id, version))
    })
    .delete('/:id/versions/:version', valid('param', VersionId), async (c) => {
      const { id, version } = c.req.valid('param')
      await versions.remove(id, version)
      return c.body(null, 204)
    })
    .get('/:id/versions/:version/changes', valid('param', VersionId), async (c) => {
      const { id, version } = c.req.valid('param')
      return c.json(await versions.compare(id, version))
    })
    .post('/:id/versions/:version/restore', valid('param', VersionId), async (c) => {
      const { id, version } = c.req.valid('param')
      return c.json(await versions.restore(id, version))
    })
}
