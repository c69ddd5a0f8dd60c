import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { Hono } from 'hono'
import { z } from 'zod'
import { copyMime, CopyName, CopyWish } from '@tidy-reel/core/export/copies'
import { FILM_FILE_NAMES, filmFileMime, isTrackFile } from '@tidy-reel/core/export/film-files'
import { SAVED_NAME_LIMIT } from '@tidy-reel/core/export/saved-name'
import { REASON_LIMIT } from '@tidy-reel/core/render/report'
import { proxyLights } from '@tidy-reel/engine/render/picture-light'
import { proxyFile } from '@tidy-reel/engine/render/proxy'
import { soundFile } from '@tidy-reel/engine/sound/effects/sound-file'
import { bedFile } from '@tidy-reel/engine/sound/monitor-bed'
import type { Services } from '../services.ts'
import { sendFile } from './files.ts'
import { valid } from './valid.ts'

const FilmFile = z.union([z.enum(FILM_FILE_NAMES), z.string().refine(isTrackFile)])
const ItemId = z.object({ id: z.string().regex(/^[\w.-]{1,200}$/) })
/** Of pictures, parted by commas. */
const ItemIds = z.object({
  ids: z.string().regex(/^[\w.-]{1,200}(?:,[\w.-]{1,200}){0,59}$/),
})
const Hash = z.object({ hash: z.string().regex(/^[0-9a-f]{32}$/) })

/** What a file is to be called where a person saves it. */
const Saved = z.object({
  save: z
    .string()
    .max(2 * SAVED_NAME_LIMIT)
    .optional(),
})
const savedAs = (save: string | undefined, file: string) => {
  const ending = file.split('.').slice(1).join('.')
  return save && `${save.replace(/[^\p{L}\p{M}\p{N} _-]+/gu, '').trim() || 'film'}.${ending}`
}

export function mediaRoutes({ copies, renders, place, thumbnails, pictures }: Services) {
  return new Hono()
    .get('/takes/:hash', valid('param', Hash), (c) =>
      sendFile(join(place.takes, `${c.req.valid('param').hash}.wav`), 'audio/wav', {
        range: c.req.header('range'),
      }),
    )
    .get('/beds/:hash', valid('param', Hash), (c) =>
      sendFile(bedFile(place.beds, c.req.valid('param').hash), 'audio/flac'),
    )
    .get('/sounds/:hash/played', valid('param', Hash), (c) =>
      sendFile(soundFile(place.sounds, c.req.valid('param').hash), 'audio/wav', {
        range: c.req.header('range'),
      }),
    )
    .get('/proxies/:id', valid('param', ItemId), async (c) => {
      const { id } = c.req.valid('param')
      const kind = existsSync(proxyFile(place.proxies, { id, kind: 'clip' })) ? 'clip' : 'photo'
      return sendFile(
        proxyFile(place.proxies, { id, kind }),
        kind === 'clip' ? 'video/mp4' : 'image/jpeg',
        { range: c.req.header('range') },
      )
    })
    .get('/lights', valid('query', ItemIds), async (c) =>
      c.json(await proxyLights(place, c.req.valid('query').ids.split(','), c.req.raw.signal)),
    )
    .get('/pictures/:id/preview', valid('param', ItemId), async (c) => {
      const { id } = c.req.valid('param')
      return sendFile(await pictures.preview(id, c.req.raw.signal), 'video/mp4', {
        range: c.req.header('range'),
      })
    })
    .get('/pictures/:id/cutout', valid('param', ItemId), async (c) => {
      const { id } = c.req.valid('param')
      return sendFile(await pictures.cutout(id, c.req.raw.signal), 'image/webp')
    })
    .get('/pictures/:id/thumbnail', valid('param', ItemId), async (c) => {
      const file = await thumbnails.file(c.req.valid('param').id)
      return file
        ? sendFile(file, 'image/jpeg')
        : c.body(null, 202, { 'cache-control': 'no-store' })
    })
    .post('/renders/:id/cancel', valid('param', z.object({ id: z.uuid() })), async (c) =>
      c.json(await renders.cancel(c.req.valid('param').id)),
    )
    .post(
      '/renders/:id/taken',
      valid('param', z.object({ id: z.uuid() })),
      valid('json', z.object({ reason: z.string().trim().min(1).max(REASON_LIMIT) })),
      async (c) => c.json(await renders.take(c.req.valid('param').id, c.req.valid('json').reason)),
    )
    .get(
      '/renders/:id/findings/:found/frame',
      valid('param', z.object({ id: z.uuid(), found: z.coerce.number().int().min(0).max(9999) })),
      async (c) => {
        const { id, found } = c.req.valid('param')
        return sendFile(await renders.findingFrame(id, found, c.req.raw.signal), 'image/jpeg')
      },
    )
    .post(
      '/renders/:id/copies',
      valid('param', z.object({ id: z.uuid() })),
      valid('json', CopyWish),
      async (c) => c.json(await copies.ask(c.req.valid('param').id, c.req.valid('json'))),
    )
    .delete(
      '/renders/:id/copies/:name',
      valid('param', z.object({ id: z.uuid(), name: CopyName })),
      async (c) => {
        const { id, name } = c.req.valid('param')
        return c.json(await copies.remove(id, name))
      },
    )
    .get(
      '/renders/:id/copies/:name',
      valid('param', z.object({ id: z.uuid(), name: CopyName })),
      valid('query', Saved),
      async (c) => {
        const { id, name } = c.req.valid('param')
        return sendFile(await copies.file(id, name), copyMime(name), {
          range: c.req.header('range'),
          saveAs: savedAs(c.req.valid('query').save, name),
        })
      },
    )
    .get(
      '/renders/:id/:name',
      valid('param', z.object({ id: z.uuid(), name: FilmFile })),
      valid('query', Saved),
      async (c) => {
        const { id, name } = c.req.valid('param')
        await renders.find(id)
        return sendFile(join(renders.folder(id), name), filmFileMime(name), {
          range: c.req.header('range'),
          saveAs: savedAs(c.req.valid('query').save, name),
        })
      },
    )
}
