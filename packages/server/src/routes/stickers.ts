import { Hono } from 'hono'
import { z } from 'zod'
import { stickersFor, stickerSvg } from '@tidy-reel/engine/own/stickers'
import type { Services } from '../services.ts'
import { valid } from './valid.ts'

const SHOWN = 8
const Named = z.object({ name: z.string().regex(/^[a-z0-9-]{1,80}$/) })
const Asked = z.object({ words: z.string().max(200) })

/** Drawings that ship, to be laid over pictures. */
export const stickerRoutes = ({ pictures }: Services) =>
  new Hono()
    .get('/', valid('query', Asked), async (c) =>
      c.json({ stickers: await stickersFor(c.req.valid('query').words, SHOWN) }),
    )
    .get('/:name', valid('param', Named), async (c) => {
      const svg = await stickerSvg(c.req.valid('param').name)
      if (svg === undefined) return c.notFound()
      return c.body(svg, 200, {
        'content-type': 'image/svg+xml',
        'cache-control': 'public, max-age=604800, immutable',
      })
    })
    .post('/:name', valid('param', Named), async (c) =>
      c.json(await pictures.takeSticker(c.req.valid('param').name), 201),
    )
