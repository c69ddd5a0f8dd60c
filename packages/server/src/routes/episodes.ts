import { Hono } from 'hono'
import { streamSSE } from 'hono/streaming'
import { z } from 'zod'
import { Command } from '@tidy-reel/core/document/command'
import type { EpisodeView } from '@tidy-reel/core/views/episode'
import { places } from '../http/at-once.ts'
import { PREPARE, PROXIES } from '../jobs/kinds.ts'
import type { Services } from '../services.ts'
import { EpisodeId } from './episode-id.ts'
import { sentAs } from './sent-as.ts'
import { valid } from './valid.ts'

const even = z.number().int().min(90).max(3840).multipleOf(2)
const Shape = z.object({
  width: even,
  height: even,
  fps: z
    .tuple([z.number().int().positive(), z.number().int().positive()])
    .refine(([n, d]) => n / d >= 12 && n / d <= 60),
  burnIn: z.boolean(),
})

/** Of one address: as many tabs as anybody has open. */
const STREAMS_AT_ONCE = 60

/** Episodes: the list, their documents and what is asked to be made of them. */
export function episodeRoutes({
  history,
  episodes,
  renders,
  queue,
  hub,
  views,
  candidates,
  pictures,
}: Services) {
  const streams = places(STREAMS_AT_ONCE)
  return new Hono()
    .get('/', async (c) => c.json({ episodes: await episodes.list() }))
    .post(
      '/',
      valid(
        'json',
        z.object({ title: z.string().trim().min(1).max(200), script: z.string().optional() }),
      ),
      async (c) => {
        const { title, script } = c.req.valid('json')
        return c.json(await episodes.create(title, script), 201)
      },
    )
    .get('/:id', valid('param', EpisodeId), async (c) =>
      sentAs<EpisodeView>(c, await views(c.req.valid('param').id)),
    )
    .get('/:id/candidates', valid('param', EpisodeId), async (c) => {
      const { id } = c.req.valid('param')
      await episodes.find(id)
      return c.json(await candidates.of(id))
    })
    .delete('/:id', valid('param', EpisodeId), async (c) => {
      await episodes.remove(c.req.valid('param').id)
      return c.body(null, 204)
    })
    .post('/:id/duplicate', valid('param', EpisodeId), async (c) =>
      c.json(await episodes.duplicate(c.req.valid('param').id), 201),
    )
    .put(
      '/:id/archived',
      valid('param', EpisodeId),
      valid('json', z.object({ archived: z.boolean() })),
      async (c) => {
        await episodes.archive(c.req.valid('param').id, c.req.valid('json').archived)
        return c.body(null, 204)
      },
    )
    .post('/:id/restore', valid('param', EpisodeId), async (c) => {
      await episodes.restore(c.req.valid('param').id)
      return c.body(null, 204)
    })
    .post(
      '/:id/commands',
      valid('param', EpisodeId),
      valid(
        'json',
        z.object({
          revision: z.number().int(),
          command: Command,
          key: z.string().max(64).optional(),
        }),
      ),
      async (c) => {
        const { revision, command, key } = c.req.valid('json')
        const { id } = c.req.valid('param')
        const changed = await episodes.command(id, revision, command, 'person', key)
        await pictures.chosen(id, command)
        return c.json(changed)
      },
    )
    .post('/:id/undo', valid('param', EpisodeId), async (c) =>
      c.json(await history.undo(c.req.valid('param').id)),
    )
    .post('/:id/redo', valid('param', EpisodeId), async (c) =>
      c.json(await history.redo(c.req.valid('param').id)),
    )
    .post(
      '/:id/prepare',
      valid('param', EpisodeId),
      valid('query', z.object({ first: z.string().max(40).optional() })),
      async (c) => {
        const { id } = c.req.valid('param')
        const { first } = c.req.valid('query')
        await episodes.find(id)
        await queue.send(PREPARE, { episodeId: id, ...(first ? { first } : {}) }, id)
        await queue.send(PROXIES, { episodeId: id }, id)
        return c.body(null, 202)
      },
    )
    .post('/:id/renders', valid('param', EpisodeId), valid('json', Shape), async (c) =>
      c.json(await renders.start(c.req.valid('param').id, c.req.valid('json')), 201),
    )
    .get('/:id/events', valid('param', EpisodeId), (c) => {
      const leavePlace = streams.take(c)
      const { id } = c.req.valid('param')
      return streamSSE(c, async (stream) => {
        const tell = (event: string, data: unknown) =>
          stream.writeSSE({ event, data: JSON.stringify(data ?? {}) })
        const leave = hub.follow(id, ({ kind, data }) => void tell(kind, data))
        stream.onAbort(() => {
          leave()
          leavePlace()
        })
        // What was changed between the reader's last look and this moment was told to nobody.
        const episode = await episodes.find(id).catch(() => undefined)
        if (episode) await tell('document', { revision: episode.revision })
        while (!stream.aborted) {
          await stream.writeSSE({ event: 'alive', data: '{}' })
          await stream.sleep(15_000)
        }
      })
    })
}
