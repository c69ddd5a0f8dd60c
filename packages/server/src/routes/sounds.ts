import { Hono } from 'hono'
import { z } from 'zod'
import { OwnSoundId, OwnSoundWords } from '@tidy-reel/engine/sound/effects/own-sounds'
import type { Services } from '../services.ts'
import { bodyOf } from './body.ts'
import { FileName, said, SAID_OF_OWN } from './said-of-own.ts'
import { valid } from './valid.ts'

const Words = z.object({
  words: z.string().max(300).default(''),
  /** What a scene says and shows, for what could be heard in it. */
  near: z.string().max(4000).default(''),
})
const SoundId = z.object({ id: z.string().regex(/^[\w-]{1,80}$/) })
const OwnId = z.object({ id: OwnSoundId })
const Change = OwnSoundWords.extend({ ...SAID_OF_OWN, source: said.optional() })

/** Sounds: those that are made, those that ship, and a person's own. */
export function soundRoutes({ sounds }: Services) {
  return new Hono()
    .get('/', valid('query', Words), async (c) =>
      c.json({ sounds: await sounds.find(c.req.valid('query')) }),
    )
    .post('/', valid('query', FileName), async (c) =>
      c.json(await sounds.take(c.req.valid('query').name, bodyOf(c.req.raw)), 201),
    )
    .get('/:id', valid('param', SoundId), async (c) =>
      c.json(await sounds.facts(c.req.valid('param').id)),
    )
    .patch('/:id', valid('param', OwnId), valid('json', Change), async (c) =>
      c.json(await sounds.change(c.req.valid('param').id, c.req.valid('json'))),
    )
    .delete('/:id', valid('param', OwnId), async (c) => {
      await sounds.remove(c.req.valid('param').id)
      return c.body(null, 204)
    })
}
