import { Hono } from 'hono'
import { streamSSE } from 'hono/streaming'
import { z } from 'zod'
import { Command } from '@tidy-reel/core/document/command'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { VOICE_FILES, voiceFile } from '@tidy-reel/engine/sound/voice-export'
import { episodeView, knownTakes } from '../actions/episode-view.ts'
import { sceneTakes } from '../actions/scene-takes.ts'
import { PREPARE, PROXIES } from '../jobs/kinds.ts'
import type { Services } from '../services.ts'
import { bodyOf } from './body.ts'
import { sendFile } from './files.ts'
import { valid } from './valid.ts'

const Id = z.object({ id: z.uuid() })
const even = z.number().int().min(90).max(3840).multipleOf(2)
const Shape = z.object({
  width: even,
  height: even,
  fps: z
    .tuple([z.number().int().positive(), z.number().int().positive()])
    .refine(([n, d]) => n / d >= 12 && n / d <= 60),
  burnIn: z.boolean(),
})

const SceneId = Id.extend({ sceneId: z.string().min(1).max(40) })
const VOICE_TYPES: Record<string, string> = {
  wav: 'audio/wav',
  flac: 'audio/flac',
  mp3: 'audio/mpeg',
  zip: 'application/zip',
  json: 'application/json',
  vtt: 'text/vtt',
}
const VersionId = Id.extend({ version: z.uuid() })

export function episodeRoutes({
  recordings,
  history,
  versions,
  episodes,
  renders,
  queue,
  hub,
  place,
  speech,
  pictures,
}: Services) {
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
    .get('/:id', valid('param', Id), async (c) => {
      const { id } = c.req.valid('param')
      const episode = await episodes.find(id)
      return c.json(
        await episodeView(
          episode,
          place,
          speech(),
          await episodes.pronunciations(id),
          await history.history(id),
        ),
      )
    })
    .delete('/:id', valid('param', Id), async (c) => {
      await episodes.remove(c.req.valid('param').id)
      return c.body(null, 204)
    })
    .post('/:id/restore', valid('param', Id), async (c) => {
      await episodes.restore(c.req.valid('param').id)
      return c.body(null, 204)
    })
    .post(
      '/:id/commands',
      valid('param', Id),
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
    .post('/:id/undo', valid('param', Id), async (c) =>
      c.json(await history.undo(c.req.valid('param').id)),
    )
    .post('/:id/redo', valid('param', Id), async (c) =>
      c.json(await history.redo(c.req.valid('param').id)),
    )
    .get('/:id/versions', valid('param', Id), async (c) =>
      c.json({ versions: await versions.list(c.req.valid('param').id) }),
    )
    .post(
      '/:id/versions',
      valid('param', Id),
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
    .get('/:id/scenes/:sceneId/takes', valid('param', SceneId), async (c) => {
      const { id, sceneId } = c.req.valid('param')
      const { ownerId, document } = await episodes.find(id)
      const scene = document.scenes.find((known) => known.id === sceneId)
      if (!scene) throw new TidyError('scene_not_found', { sceneId })
      return c.json({ takes: await sceneTakes(ownerId, id, sceneId, scene.text) })
    })
    .post('/:id/scenes/:sceneId/recording', valid('param', SceneId), async (c) => {
      const { id, sceneId } = c.req.valid('param')
      return c.json(await recordings.sentence(id, sceneId, bodyOf(c.req.raw)), 201)
    })
    .post('/:id/recordings', valid('param', Id), async (c) =>
      c.json(await recordings.whole(c.req.valid('param').id, bodyOf(c.req.raw)), 201),
    )
    .get(
      '/:id/recordings/:recording',
      valid('param', Id.extend({ recording: z.string().regex(/^[0-9a-f]{32}$/) })),
      async (c) => {
        const { id, recording } = c.req.valid('param')
        const result = await recordings.result(id, recording)
        return result ? c.json(result) : c.body(null, 202)
      },
    )
    .get(
      '/:id/voice/:file',
      valid('param', Id.extend({ file: z.enum(VOICE_FILES) })),
      async (c) => {
        const { id, file } = c.req.valid('param')
        const { document } = await episodes.find(id)
        const takes = await knownTakes(document, speech(), await episodes.pronunciations(id))
        const film = filmOf(document)
        const ordered = film.scenes.map((scene) => takes.get(scene.id))
        const ending = itemAt(file.split('.'), 1)
        const made = await voiceFile(
          place.voices,
          file,
          timeline(film, ordered, [30, 1]),
          ordered,
          c.req.raw.signal,
        )
        return sendFile(made, VOICE_TYPES[ending] ?? 'text/plain; charset=utf-8', {
          saveAs: `${document.title.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'film'} – ${file.split('.')[0]}.${ending}`,
        })
      },
    )
    .post(
      '/:id/prepare',
      valid('param', Id),
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
    .post('/:id/renders', valid('param', Id), valid('json', Shape), async (c) =>
      c.json(await renders.start(c.req.valid('param').id, c.req.valid('json')), 201),
    )
    .get('/:id/events', valid('param', Id), (c) =>
      streamSSE(c, async (stream) => {
        const leave = hub.follow(
          c.req.valid('param').id,
          (event) =>
            void stream.writeSSE({ event: event.kind, data: JSON.stringify(event.data ?? {}) }),
        )
        stream.onAbort(leave)
        while (!stream.aborted) {
          await stream.writeSSE({ event: 'alive', data: '{}' })
          await stream.sleep(15_000)
        }
      }),
    )
}
