import { type EngineConfig, folders } from '@tidy-reel/engine/config'
import { type SpeechPlace, speechPlace } from '@tidy-reel/engine/speech/take'
import { statisticsClient } from '@tidy-reel/engine/statistics/client'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { type Thumbnails, thumbnails } from '@tidy-reel/engine/stock/thumbnails'
import { type WorkPool, workPool } from '@tidy-reel/engine/threads/pool'
import { type CandidatesActions, candidatesOf } from './actions/candidates.ts'
import { type ChannelActions, channelActions } from './actions/channels.ts'
import { type CopyActions, copyActions } from './actions/copies.ts'
import { type DepictionActions, depictionActions } from './actions/depictions.ts'
import { episodeView } from './actions/episode-view.ts'
import { type EpisodeActions, episodeActions } from './actions/episodes.ts'
import { type HistoryActions, historyActions } from './actions/history.ts'
import { type ImportActions, importActions } from './actions/imports.ts'
import { type KeptViews, keptViews } from './actions/kept-views.ts'
import { type LibraryActions, libraryActions } from './actions/library.ts'
import { type MusicActions, musicActions } from './actions/music.ts'
import { type PictureActions, pictureActions } from './actions/pictures.ts'
import { type RecordingActions, recordingActions } from './actions/recordings.ts'
import { type RenderActions, renderActions } from './actions/renders.ts'
import { type SoundActions, soundActions } from './actions/sounds.ts'
import { type StyleActions, styleActions } from './actions/styles.ts'
import { type TopicActions, topicActions } from './actions/topics.ts'
import { type TranslationActions, translationActions } from './actions/translations.ts'
import { type VersionActions, versionActions } from './actions/versions.ts'
import { type WritingActions, writingActions } from './actions/writing.ts'
import { connect, LOCAL_OWNER } from './db/models.ts'
import { type EventHub, eventHub } from './events.ts'
import { openQueue, type Queue } from './jobs/queue.ts'

/** What the routes stand on. */
export interface Services {
  channels: ChannelActions
  depictions: DepictionActions
  episodes: EpisodeActions
  history: HistoryActions
  imports: ImportActions
  library: LibraryActions
  music: MusicActions
  pictures: PictureActions
  recordings: RecordingActions
  copies: CopyActions
  renders: RenderActions
  sounds: SoundActions
  styles: StyleActions
  topics: TopicActions
  translations: TranslationActions
  versions: VersionActions
  writing: WritingActions
  hub: EventHub
  views: KeptViews
  candidates: CandidatesActions
  queue: Queue
  pool: WorkPool
  thumbnails: Thumbnails
  place: ReturnType<typeof folders>
  /** The voices there are now: the person's own list is read anew. */
  speech: () => SpeechPlace
  /** Lets go of queue, events and database. */
  close(): Promise<void>
}

/** Opens database, queue and events, and everything that acts on them. */
export async function openServices(
  database: string,
  engine: EngineConfig,
  pool: WorkPool = workPool(),
): Promise<Services> {
  const owner = LOCAL_OWNER
  const sequelize = connect(database)
  const queue = await openQueue(database)
  const channels = channelActions(owner)
  const episodes = episodeActions(sequelize, channels, owner, pool)
  const pictures = pictureActions(sequelize, queue, engine, owner, pool)
  const place = folders(engine)
  const hub = await eventHub(database)
  const history = historyActions(sequelize, owner)
  const speech = () => speechPlace(engine)
  const views = keptViews(sequelize, owner, hub, async (id) =>
    episodeView(
      sequelize,
      await episodes.find(id),
      place,
      speech(),
      await episodes.pronunciations(id),
      await history.history(id),
    ),
  )
  const library = libraryActions(sequelize, owner)
  const writing = writingActions(episodes, owner, pool, engine)
  return {
    channels,
    copies: copyActions(sequelize, queue, engine, owner),
    depictions: depictionActions(episodes, writing, library, pool, engine),
    episodes,
    history,
    imports: importActions(pictures.take, pool),
    library,
    music: musicActions(episodes, speech, place, pool),
    pictures,
    recordings: recordingActions(sequelize, queue, engine, episodes, owner),
    renders: renderActions(sequelize, queue, engine, episodes, owner),
    sounds: soundActions(place.sounds, pool),
    styles: styleActions(sequelize, owner),
    topics: topicActions(sequelize, statisticsClient(engine.statistics), episodes, owner, pool),
    translations: translationActions(episodes, writing),
    versions: versionActions(episodes, owner),
    writing,
    hub,
    queue,
    pool,
    thumbnails: thumbnails(place.thumbnails, pictureLibrary(engine)),
    place,
    speech,
    views,
    candidates: candidatesOf(sequelize, owner),
    async close() {
      await Promise.allSettled([queue.stop(), hub.close(), pool.close()])
      await sequelize.close()
    },
  }
}
