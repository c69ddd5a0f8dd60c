import { Hono } from 'hono'
import { z } from 'zod'
import { HouseStyle } from '@tidy-reel/core/style/house-style'
import type { Services } from '../services.ts'
import { valid } from './valid.ts'

/** Those that ship are named otherwise and stay as they are. */
const Id = z.object({ id: z.string().regex(/^own-[0-9a-f-]{36}$/) })
const Content = HouseStyle.omit({ id: true, version: true })

/** House styles of the channel. */
export function styleRoutes({ styles }: Services) {
  return new Hono()
    .get('/', async (c) => c.json(await styles.all()))
    .post('/', valid('json', Content), async (c) =>
      c.json(await styles.add(c.req.valid('json')), 201),
    )
    .put(
      '/:id',
      valid('param', Id),
      valid('json', z.object({ version: z.number().int().positive(), content: Content })),
      async (c) => {
        const { version, content } = c.req.valid('json')
        return c.json(await styles.change(c.req.valid('param').id, version, content))
      },
    )
    .post('/restore', valid('json', HouseStyle.extend(Id.shape)), async (c) =>
      c.json(await styles.restore(c.req.valid('json'))),
    )
    .delete('/:id', valid('param', Id), async (c) => {
      await styles.remove(c.req.valid('param').id)
      return c.body(null, 204)
    })
}
