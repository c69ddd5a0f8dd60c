import { join } from 'node:path'
import { serveStatic } from '@hono/node-server/serve-static'
import { Hono } from 'hono'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { bodyLimits } from './http/body-limits.ts'
import { answerProblem } from './http/problem.ts'
import { sameOrigin } from './http/same-origin.ts'
import { securityHeaders } from './http/security-headers.ts'
import { episodeRoutes } from './routes/episodes.ts'
import { sendFile } from './routes/files.ts'
import { libraryRoutes } from './routes/library.ts'
import { mediaRoutes } from './routes/media.ts'
import { scriptRoutes } from './routes/script.ts'
import { speechRoutes } from './routes/speech.ts'
import { topicRoutes } from './routes/topics.ts'
import { versionRoutes } from './routes/versions.ts'
import { voiceRoutes } from './routes/voice.ts'
import { writingRoutes } from './routes/writing.ts'
import type { Services } from './services.ts'

/** The rooms of the server, each with its routes. */
const rooms = (services: Services) =>
  new Hono()
    .route('/api/episodes', episodeRoutes(services))
    .route('/api/episodes', versionRoutes(services))
    .route('/api/episodes', voiceRoutes(services))
    .route('/api', writingRoutes(services))
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
 */
export function webApp(services: Services, web: string): Hono {
  const app = new Hono()
  app.onError((cause, c) => answerProblem(c, cause))
  app.use(securityHeaders())
  app.use('/api/*', sameOrigin, bodyLimits)
  app.route('/', rooms(services))
  app.all('/api/*', nothingHere)
  app.use('/*', serveStatic({ root: web, rewriteRequestPath: (path) => path }))
  app.get('/*', () => sendFile(join(web, 'index.html'), 'text/html; charset=utf-8'))
  return app
}

function nothingHere(): never {
  throw new TidyError('route_not_found')
}
