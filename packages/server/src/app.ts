import { join } from 'node:path'
import { Hono, type Context } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { secureHeaders } from 'hono/secure-headers'
import { serveStatic } from '@hono/node-server/serve-static'
import { TidyError } from '@tidy-reel/core/fault'
import { folders, type EngineConfig } from '@tidy-reel/engine/config'
import { IMPORT_BYTES_LIMIT } from '@tidy-reel/engine/import/import-file'
import { speechPlace, type SpeechPlace } from '@tidy-reel/engine/speech/take'
import { statisticsClient } from '@tidy-reel/engine/statistics/client'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { OWN_BYTES_LIMIT } from '@tidy-reel/engine/own/own-files'
import { thumbnails, type Thumbnails } from '@tidy-reel/engine/stock/thumbnails'
import { writingActions, type WritingActions } from './actions/writing.ts'
import { topicActions, type TopicActions } from './actions/topics.ts'
import { importActions, type ImportActions } from './actions/imports.ts'
import { channelActions, type ChannelActions } from './actions/channels.ts'
import { episodeActions, type EpisodeActions } from './actions/episodes.ts'
import { historyActions, type HistoryActions } from './actions/history.ts'
import { versionActions, type VersionActions } from './actions/versions.ts'
import { libraryActions, type LibraryActions } from './actions/library.ts'
import { pictureActions, type PictureActions } from './actions/pictures.ts'
import {
  recordingActions,
  RECORDING_BYTES_LIMIT,
  type RecordingActions,
} from './actions/recordings.ts'
import { renderActions, type RenderActions } from './actions/renders.ts'
import { connect, LOCAL_OWNER } from './db/models.ts'
import { eventHub, type EventHub } from './events.ts'
import { openQueue, type Queue } from './jobs/queue.ts'
import { episodeRoutes } from './routes/episodes.ts'
import { libraryRoutes } from './routes/library.ts'
import { mediaRoutes } from './routes/media.ts'
import { writingRoutes } from './routes/writing.ts'
import { topicRoutes } from './routes/topics.ts'
import { scriptRoutes } from './routes/script.ts'
import { speechRoutes } from './routes/speech.ts'
import { sendFile } from './routes/files.ts'

export interface App {
  channels: ChannelActions
  imports: ImportActions
  topics: TopicActions
  writing: WritingActions
  episodes: EpisodeActions
  history: HistoryActions
  versions: VersionActions
  renders: RenderActions
  recordings: RecordingActions
  queue: Queue
  hub: EventHub
  library: LibraryActions
  pictures: PictureActions
  thumbnails: Thumbnails
  place: ReturnType<typeof folders>
  /** The voices there are now: the person's own list is read anew. */
  speech: () => SpeechPlace
}

const BODY_LIMIT = 4 * 1024 * 1024

/** Opens what the server and its routes stand on. */
export async function openApp(database: string, engine: EngineConfig): Promise<App> {
  const sequelize = connect(database)
  const queue = await openQueue(database)
  const channels = channelActions(LOCAL_OWNER)
  const episodes = episodeActions(sequelize, channels, LOCAL_OWNER)
  const library = libraryActions(sequelize, LOCAL_OWNER)
  const pictures = pictureActions(sequelize, queue, engine, LOCAL_OWNER)
  return {
    channels,
    writing: writingActions(episodes, LOCAL_OWNER),
    topics: topicActions(sequelize, statisticsClient(engine.statistics), episodes, LOCAL_OWNER),
    imports: importActions(pictures.take),
    episodes,
    history: historyActions(sequelize, LOCAL_OWNER),
    versions: versionActions(episodes, LOCAL_OWNER),
    queue,
    recordings: recordingActions(sequelize, queue, engine, episodes, LOCAL_OWNER),
    hub: await eventHub(database),
    renders: renderActions(sequelize, queue, engine, episodes, LOCAL_OWNER),
    library,
    pictures,
    thumbnails: thumbnails(folders(engine).thumbnails, pictureLibrary(engine)),
    place: folders(engine),
    speech: () => speechPlace(engine),
  }
}

/** All routes; every fault leaves as RFC 9457 problem details with the sentence in `detail`. */
export function webApp(app: App, web: string): Hono {
  const hono = new Hono()
  hono.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        workerSrc: ["'self'", 'blob:'],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        mediaSrc: ["'self'", 'blob:'],
        connectSrc: ["'self'"],
        frameAncestors: ["'none'"],
        objectSrc: ["'none'"],
      },
    }),
  )
  const small = bodyLimit({
    maxSize: BODY_LIMIT,
    onError: () => {
      throw new TidyError('script_too_large', { characters: BODY_LIMIT, limit: BODY_LIMIT })
    },
  })
  const file = bodyLimit({
    maxSize: OWN_BYTES_LIMIT,
    onError: () => {
      throw new TidyError('own_file_unusable', {
        name: 'The file',
        reason: `it is larger than ${OWN_BYTES_LIMIT / 1024 / 1024} MB`,
      })
    },
  })
  const text = bodyLimit({
    maxSize: IMPORT_BYTES_LIMIT,
    onError: () => {
      throw new TidyError('import_too_large', {
        name: 'The file',
        reason: `it is over the ${IMPORT_BYTES_LIMIT / 1024 / 1024} MB that are read; save it without its pictures`,
      })
    },
  })
  const limits: Record<string, typeof small> = { '/api/own': file, '/api/import': text }
  const sound = bodyLimit({
    maxSize: RECORDING_BYTES_LIMIT,
    onError: () => {
      throw new TidyError('recording_unusable', {
        reason: `it is larger than ${RECORDING_BYTES_LIMIT / 1024 / 1024} MB`,
      })
    },
  })
  const limitOf = (path: string) => (/\/recordings?$/.test(path) ? sound : (limits[path] ?? small))
  hono.use('/api/*', sameOrigin, (c, next) => limitOf(c.req.path)(c, next))
  hono.route('/api/episodes', episodeRoutes(app))
  hono.route('/api', writingRoutes(app))
  hono.route('/api/topics', topicRoutes(app))
  hono.route('/api', scriptRoutes(app))
  hono.route('/api', speechRoutes(app))
  hono.route('/api', libraryRoutes(app))
  hono.route('/api', mediaRoutes(app))
  hono.all('/api/*', () => {
    throw new TidyError('route_not_found')
  })
  hono.use('/*', serveStatic({ root: web, rewriteRequestPath: (path) => path }))
  hono.get('/*', () => sendFile(join(web, 'index.html'), 'text/html; charset=utf-8'))
  hono.onError((cause, c) => problem(c, cause))
  return hono
}

/** A change must come from our own page: another site's form or script carries another origin. */
async function sameOrigin(c: Context, next: () => Promise<void>) {
  const origin = c.req.header('origin')
  if (
    c.req.method !== 'GET' &&
    c.req.method !== 'HEAD' &&
    origin &&
    hostOf(origin) !== c.req.header('host')
  )
    throw new TidyError('origin_refused')
  await next()
}

/** Undefined for the origin `null` of a sandboxed page and for anything else that is no address. */
const hostOf = (origin: string) => (URL.canParse(origin) ? new URL(origin).host : undefined)

function problem(c: Context, cause: Error): Response {
  const fault: TidyError =
    cause instanceof TidyError
      ? cause
      : cause instanceof SyntaxError
        ? new TidyError('input_invalid', { issues: 'the body is not JSON' })
        : (malformed(cause) ?? new TidyError('unexpected'))
  if (fault.code === 'unexpected') console.error(cause)
  const body = {
    type: `urn:tidy-reel:${fault.code}`,
    title: fault.code,
    status: fault.status,
    detail: fault.message,
    code: fault.code,
    details: fault.details,
  }
  return c.body(JSON.stringify(body), body.status as 400, {
    'content-type': 'application/problem+json',
  })
}

const malformed = (cause: Error) =>
  'status' in cause && cause.status === 400
    ? new TidyError('input_invalid', { issues: cause.message })
    : undefined
