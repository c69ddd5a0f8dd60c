import { join } from 'node:path'
import { Hono } from 'hono'
import { z } from 'zod'
import { OwnFaceId } from '@tidy-reel/core/style/own-face'
import { ownFonts, takeFont } from '@tidy-reel/engine/own/own-fonts'
import { EAST_ASIAN_FONT } from '@tidy-reel/engine/render/fonts'
import type { Services } from '../services.ts'
import { bodyOf } from './body.ts'
import { sendFile } from './files.ts'
import { valid } from './valid.ts'

const FileName = z.object({ name: z.string().min(1).max(1000) })

/** Fonts beside those that ship with the program. */
export function fontRoutes({ place }: Services) {
  return new Hono()
    .get('/east-asian', () => sendFile(EAST_ASIAN_FONT, 'font/collection'))
    .get('/', async (c) => c.json({ faces: await ownFonts(place.fonts) }))
    .post('/', valid('query', FileName), async (c) =>
      c.json(await takeFont(place.fonts, c.req.valid('query').name, bodyOf(c.req.raw)), 201),
    )
    .get('/:id', valid('param', z.object({ id: OwnFaceId })), (c) =>
      sendFile(join(place.fonts, c.req.valid('param').id), 'application/octet-stream'),
    )
}
