import { Hono } from 'hono'
import { z } from 'zod'
import { INSTRUMENTATIONS, MOODS } from '@tidy-reel/core/style/film-choices'
import type { Services } from '../services.ts'
import { EpisodeId } from './episode-id.ts'
import { valid } from './valid.ts'

const Tried = z.object({
  mood: z.enum(MOODS).exclude(['none']),
  instruments: z.enum(INSTRUMENTATIONS).nullable(),
  at: z.number().int().min(0).max(1e10),
})

/** Music under an episode. */
export const musicRoutes = ({ music }: Services) =>
  new Hono().post(
    '/:id/music/tried',
    valid('param', EpisodeId),
    valid('json', Tried),
    async (c) => {
      const { id } = c.req.valid('param')
      return c.json(await music.tried(id, c.req.valid('json'), c.req.raw.signal))
    },
  )
