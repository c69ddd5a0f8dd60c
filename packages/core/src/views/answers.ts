import type { Comparison } from '../document/compare.ts'
import type { Document } from '../document/document.ts'
import type { OwnMusic } from '../film/music/own/own-music.ts'
import type { SoundFacts } from '../film/sound/effects/known-sound.ts'
import type { TimedText } from '../film/subtitles/align-texts.ts'
import type { Item } from '../pictures/item.ts'
import type { Light } from '../pictures/light.ts'
import type { HouseStyle } from '../style/house-style.ts'
import type { OwnFace } from '../style/own-face.ts'
import type { Idea, OfferedChannel, TopicsView } from '../topics/topic-views.ts'
import type { WriterView, Writing } from '../writing/brief.ts'
import type { ChannelView, ScriptChecks } from './checks.ts'
import type { AskedDepictions, DepictedScene } from './depictions.ts'
import type {
  BedFacts,
  EpisodeCandidates,
  EpisodeRow,
  EpisodeView,
  RenderView,
  SceneTakeView,
  VersionView,
} from './episode.ts'
import type { ImportedScriptView } from './imported-script.ts'
import type { FoundView, LibraryPage, NotedView, PictureUse, PictureView } from './library.ts'
import type { RecordedView, RecordingView } from './recording.ts'
import type { FoundSoundView } from './sounds.ts'
import type { SaidView, VoicesView } from './speech.ts'
import type { AskedTranslation } from './translation.ts'

/** An episode after a step back or forth. */
export type Changed = Pick<EpisodeView, 'revision' | 'document' | 'history'>

/**
 * What the server answers, by method and path below `/api`; null where there is nothing to tell.
 * The client asks by these names, and the server's types are held to them
 * (`server/http/answers-hold.ts`).
 */
export interface Answers {
  'GET /episodes': { episodes: EpisodeRow[] }
  'POST /episodes': { id: string }
  'GET /episodes/:id': EpisodeView
  'GET /episodes/:id/candidates': EpisodeCandidates
  'GET /episodes/:id/depictions': { scenes: DepictedScene[] }
  'POST /episodes/:id/depictions': AskedDepictions
  'POST /episodes/:id/tracks/:language': AskedTranslation
  'DELETE /episodes/:id': null
  'POST /episodes/:id/restore': null
  'POST /episodes/:id/duplicate': { id: string }
  'PUT /episodes/:id/archived': null
  'POST /episodes/:id/commands': { revision: number; document: Document }
  'POST /episodes/:id/undo': Changed
  'POST /episodes/:id/redo': Changed
  'GET /episodes/:id/versions': { versions: VersionView[] }
  'POST /episodes/:id/versions': VersionView
  'GET /episodes/:id/versions/:version': VersionView & { document: Document }
  'DELETE /episodes/:id/versions/:version': null
  'GET /episodes/:id/versions/:version/changes': Comparison
  'POST /episodes/:id/versions/:version/restore': { revision: number; document: Document }
  'POST /episodes/:id/prepare': null
  'POST /episodes/:id/music/tried': BedFacts | null
  'POST /episodes/:id/renders': RenderView
  'POST /renders/:id/cancel': RenderView
  'POST /renders/:id/taken': RenderView
  'POST /renders/:id/copies': RenderView
  'DELETE /renders/:id/copies/:name': RenderView

  'GET /music': { music: OwnMusic[] }
  'POST /music': OwnMusic
  'PATCH /music/:id': OwnMusic
  'DELETE /music/:id': null
  'GET /sounds': { sounds: FoundSoundView[] }
  'POST /sounds': SoundFacts
  'GET /sounds/:id': SoundFacts
  'PATCH /sounds/:id': SoundFacts
  'DELETE /sounds/:id': null

  'GET /voices': VoicesView
  'POST /say': SaidView
  'GET /episodes/:id/scenes/:sceneId/takes': { takes: SceneTakeView[] }
  'POST /episodes/:id/scenes/:sceneId/recording': RecordedView
  'POST /episodes/:id/recordings': { id: string }
  /** Null while it is listened to. */
  'GET /episodes/:id/recordings/:recording': RecordingView | null
  'PUT /channel/pronunciations': ChannelView
  'PUT /channel/voices': ChannelView

  'POST /import': ImportedScriptView
  'POST /import/link': ImportedScriptView
  'POST /checks': ScriptChecks
  'GET /channel': ChannelView
  'POST /channel/words': ChannelView
  'DELETE /channel/words': ChannelView

  'GET /pictures': FoundView
  'GET /pictures/styles': { styles: { id: string; name: string }[] }
  'POST /pictures/made': { items: Item[] }
  'GET /fonts': { faces: OwnFace[] }
  'POST /fonts': OwnFace
  'POST /own': Item
  'GET /stickers': { stickers: { name: string; title: string }[] }
  'POST /stickers/:name': Item
  'POST /own/list': NotedView
  'POST /own/sidecar': { described: number }
  'GET /library': LibraryPage
  'GET /library/count': { count: number }
  'GET /library/collections': { collections: { name: string; pictures: number }[] }
  'POST /library/tags': null
  'POST /library/collect': null
  'POST /library/remove': null
  'PUT /library/favourite': null
  'PUT /library/refused': null
  'PATCH /library/:id': PictureView
  'GET /library/:id/uses': { uses: PictureUse[] }
  'GET /library/:id/twins': { pictures: PictureView[] }

  'POST /import/subtitles': { texts: TimedText[]; left: string[] }
  'GET /lights': Record<string, Light>
  'GET /styles': { shipped: readonly HouseStyle[]; own: HouseStyle[] }
  'POST /styles': HouseStyle
  'PUT /styles/:id': HouseStyle
  'POST /styles/restore': HouseStyle
  'DELETE /styles/:id': null

  'GET /topics': TopicsView
  'GET /topics/offered': { channels: OfferedChannel[] }
  'POST /topics/channels': null
  'POST /topics/channels/list': { films: number; skipped: { row: number; reason: string }[] }
  'POST /topics/channels/:id/own': null
  'DELETE /topics/channels/:id': null
  'POST /topics/ideas': Idea
  'PATCH /topics/ideas/:id': Idea
  'DELETE /topics/ideas/:id': null
  'POST /topics/ideas/:id/episode': { id: string }

  'GET /writer': WriterView
  'PUT /writer': null
  'GET /episodes/:id/writing': Writing
  'PUT /episodes/:id/writing': Writing
  'POST /episodes/:id/writing/outline': Writing
  'POST /episodes/:id/writing/draft': Writing
}
