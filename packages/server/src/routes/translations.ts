import { Hono } from 'hono'
import { Language } from '@tidy-reel/core/document/subtitling'
import type { Services } from '../services.ts'
import { EpisodeId } from './episode-id.ts'
import { valid } from './valid.ts'

const EpisodeLanguage = EpisodeId.extend({ language: Language })

/** A narration in other languages. */
export const translationRoutes = ({ translations }: Services) =>
  new Hono().post('/:id/tracks/:language', valid('param', EpisodeLanguage), async (c) => {
    const { id, language } = c.req.valid('param')
    return c.json(await translations.ask(id, language, c.req.raw.signal))
  })
