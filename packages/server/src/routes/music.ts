import { Hono } from 'hono'
import { z } from 'zod'
import { INSTRUMENTATIONS, MOODS, OwnMusicId } from '@tidy-reel/core/style/film-choices'
import { OwnMusicWords } from '@tidy-reel/engine/sound/music/own-music'
import type { Services } from '../services.ts'
import { bodyOf } from './body.ts'
import { EpisodeId } from './episode-id.ts'
import { FileName, said, SAID_OF_OWN } from './said-of-own.ts'
import { valid } from './valid.ts'

const Tried = z.object({
  mood: z.enum(MOODS).exclude(['none']),
  instruments: z.enum(INSTRUMENTATIONS).nullable(),
  own: OwnMusicId.nullable(),
  at: z.number().int().min(0).max(1e10),
})
const OwnId = z.object({ id: OwnMusicId })
const Change = OwnMusicWords.extend({ ...SAID_OF_OWN, credit: said.optional() })

/** Music under an episode. */
export const triedRoutes = ({ music }: Services) =>
  new Hono().post(
    '/:id/music/tried',
    valid('param', EpisodeId),
    valid('json', Tried),
    async (c) => {
      const { id } = c.req.valid('param')
      return c.json(await music.tried(id, c.req.valid('json'), c.req.raw.signal))
    },
  )

/** Music that a person has brought. */
export const musicRoutes = ({ music }: Services) =>
  new Hono()
    .get('/', async (c) => c.json({ music: await music.list() }))
    .post('/', valid('query', FileName), async (c) =>
      c.json(await music.take(c.req.valid('query').name, bodyOf(c.req.raw)), 201),
    )
    .patch('/:id', valid('param', OwnId), valid('json', Change), async (c) =>
      c.json(await music.change(c.req.valid('param').id, c.req.valid('json'))),
    )
    .delete('/:id', valid('param', OwnId), async (c) => {
      await music.remove(c.req.valid('param').id)
      return c.body(null, 204)
    })
