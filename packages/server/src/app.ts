import { Hono } from 'hono'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { atOnce } from './http/at-once.ts'
import { bodyLimits } from './http/body-limits.ts'
import { clientFiles } from './http/client-files.ts'
import { knownHost } from './http/known-host.ts'
import { answerProblem } from './http/problem.ts'
import { sameOrigin } from './http/same-origin.ts'
import { securityHeaders } from './http/security-headers.ts'
import { depictionRoutes } from './routes/depictions.ts'
import { episodeRoutes } from './routes/episodes.ts'
import { fontRoutes } from './routes/fonts.ts'
import { libraryRoutes } from './routes/library.ts'
import { mediaRoutes } from './routes/media.ts'
import { musicRoutes, triedRoutes } from './routes/music.ts'
import { scriptRoutes } from './routes/script.ts'
import { soundRoutes } from './routes/sounds.ts'
import { speechRoutes } from './routes/speech.ts'
import { stickerRoutes } from './routes/stickers.ts'
import { styleRoutes } from './routes/styles.ts'
import { topicRoutes } from './routes/topics.ts'
import { translationRoutes } from './routes/translations.ts'
import { versionRoutes } from './routes/versions.ts'
import { voiceRoutes } from './routes/voice.ts'
import { writingRoutes } from './routes/writing.ts'
import type { Services } from './services.ts'

/** Files that one address may send at the same time. */
const UPLOADS_AT_ONCE = 12

/** The rooms of the server, each with its routes. */
const rooms = (services: Services) =>
  new Hono()
    .route('/api/episodes', episodeRoutes(services))
    .route('/api/episodes', depictionRoutes(services))
    .route('/api/episodes', translationRoutes(services))
    .route('/api/stickers', stickerRoutes(services))
    .route('/api/episodes', triedRoutes(services))
    .route('/api/episodes', versionRoutes(services))
    .route('/api/episodes', voiceRoutes(services))
    .route('/api', writingRoutes(services))
    .route('/api/styles', styleRoutes(services))
    .route('/api/fonts', fontRoutes(services))
    .route('/api/sounds', soundRoutes(services))
    .route('/api/music', musicRoutes(services))
    .route('/api/topics', topicRoutes(services))
    .route('/api', scriptRoutes(services))
    .route('/api', speechRoutes(services))
    .route('/api', libraryRoutes(services))
    .route('/api', mediaRoutes(services))

export type Rooms = ReturnType<typeof rooms>

/**
 * Everything the server answers, in order: what every request passes, the rooms, the client's
 * files.
 *
 * @param web folder of the built client
 * @param names under which it answers beside those of loopback
 */
export function webApp(services: Services, web: string, names: readonly string[] = []): Hono {
  const app = new Hono()
  const uploads = atOnce(UPLOADS_AT_ONCE)
  app.onError((cause, c) => answerProblem(c, cause))
  app.use(securityHeaders(), knownHost(names))
  app.use('/api/*', sameOrigin, bodyLimits)
  app.use('/api/own/*', uploads)
  app.use('/api/sounds', uploads)
  app.use('/api/music', uploads)
  app.use('/api/import', uploads)
  app.use('/api/episodes/:id/recordings', uploads)
  app.route('/', rooms(services))
  app.all('/api/*', nothingHere)
  app.route('/', clientFiles(web))
  return app
}

function nothingHere(): never {
  throw new TidyError('route_not_found')
}
