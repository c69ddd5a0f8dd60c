import { Hono } from 'hono'
import { z } from 'zod'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { VOICE_FILES, voiceFile } from '@tidy-reel/engine/sound/voice-export'
import { knownTakes } from '../actions/episode-view.ts'
import { sceneTakes } from '../actions/scene-takes.ts'
import type { Services } from '../services.ts'
import { bodyOf } from './body.ts'
import { EpisodeId } from './episode-id.ts'
import { sendFile } from './files.ts'
import { valid } from './valid.ts'

const SceneId = EpisodeId.extend({ sceneId: z.string().min(1).max(40) })
const RecordingId = EpisodeId.extend({ recording: z.string().regex(/^[0-9a-f]{32}$/) })
const VOICE_TYPES: Record<string, string> = {
  wav: 'audio/wav',
  flac: 'audio/flac',
  mp3: 'audio/mpeg',
  zip: 'application/zip',
  json: 'application/json',
  vtt: 'text/vtt',
}

const titleAsFileName = (title: string) => title.replace(/[^\p{L}\p{N} _-]+/gu, '').trim() || 'film'

/** The voice of an episode: takes, recordings, and the whole of it as files. */
export function voiceRoutes({ recordings, episodes, place, speech }: Services) {
  return new Hono()
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
    .post('/:id/recordings', valid('param', EpisodeId), async (c) =>
      c.json(await recordings.whole(c.req.valid('param').id, bodyOf(c.req.raw)), 201),
    )
    .get('/:id/recordings/:recording', valid('param', RecordingId), async (c) => {
      const { id, recording } = c.req.valid('param')
      const result = await recordings.result(id, recording)
      return result ? c.json(result) : c.body(null, 202)
    })
    .get(
      '/:id/voice/:file',
      valid('param', EpisodeId.extend({ file: z.enum(VOICE_FILES) })),
      async (c) => {
        const { id, file } = c.req.valid('param')
        const { document } = await episodes.find(id)
        const takes = await knownTakes(document, speech(), await episodes.pronunciations(id))
        const film = filmOf(document)
        const ordered = film.scenes.map((scene) => takes.get(scene.id))
        const [part = '', ending = ''] = file.split('.')
        const made = await voiceFile(
          place.voices,
          file,
          timeline(film, ordered, [30, 1]),
          ordered,
          c.req.raw.signal,
        )
        return sendFile(made, VOICE_TYPES[ending] ?? 'text/plain; charset=utf-8', {
          saveAs: `${titleAsFileName(document.title)} – ${part}.${ending}`,
        })
      },
    )
}
