import { computed, type Ref } from 'vue'
import type { Document } from '@tidy-reel/core/document/document'
import { emptyDocument } from '@tidy-reel/core/document/document'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { musicLevels } from '@tidy-reel/core/film/music/music-wishes'
import { soundCues } from '@tidy-reel/core/film/sound/effects/sound-cues'
import { pictureDescription } from '@tidy-reel/core/match/picture-description'
import { itemAgain } from '@tidy-reel/core/pictures/item'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import { pictureAsked } from '@tidy-reel/core/script/picture-asked'
import { takeRequester } from '@tidy-reel/core/speech/take-request'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import type { EpisodeCandidates, EpisodeView } from '@tidy-reel/core/views/episode'
import { type SayRequest } from '../api/speech.ts'
import type { FilmSound } from '../monitor/film-sound.ts'

const NO_CANDIDATES: EpisodeCandidates[string] = {
  words: [],
  picks: [],
  meanings: [],
  numbers: [],
}

/** An episode with what matching found for it, which is fetched only when it is new. */
export type OpenEpisode = EpisodeView & { candidates: EpisodeCandidates }

/** What stands in the place of an episode until one is there: views need not ask at each word. */
export const NOTHING_OPEN: OpenEpisode = {
  id: '',
  revision: 0,
  document: emptyDocument('-'),
  takes: {},
  candidatesAt: '',
  candidates: {},
  rate: 1,
  pronunciations: [],
  bed: null,
  unmetMusic: [],
  sounds: {},
  clipSounds: {},
  hashes: {},
  proxies: [],
  renders: [],
  history: { undo: null, redo: null },
}

/** The film as it stands while it is edited: all that follows from the document and its takes. */
export function useShownFilm(data: Readonly<Ref<OpenEpisode>>, document: Readonly<Ref<Document>>) {
  const parsed = computed(() => parsedScript(document.value.script))
  const plan = computed(() => filmOf(document.value, data.value.rate))
  const film = computed(() => {
    const planned = plan.value
    return timeline(
      planned,
      planned.scenes.map(({ id }) => data.value.takes[id]),
      [30, 1],
    )
  })
  /** What the script asks to be heard, at its places, and what nothing fits. */
  const sounding = computed(() =>
    soundCues(film.value, plan.value, {
      ofWords: (words) => data.value.sounds[words],
      ofClip: (id) => data.value.clipSounds[id],
    }),
  )
  /** All that is heard of the film. */
  const sound = computed((): FilmSound => ({
    film: film.value,
    takes: data.value.takes,
    bed: data.value.bed,
    cues: sounding.value.cues,
    nearer: musicLevels(film.value, plan.value),
    mixing: document.value.mixing,
  }))
  const proxies = computed(() => new Set(data.value.proxies))
  /** What the film's settings ask of a voice for a scene, or for words not in the film yet. */
  const sayRequest = (
    words: Parameters<ReturnType<typeof takeRequester>>[0],
    set: Partial<SayRequest> = {},
  ): SayRequest => ({
    ...takeRequester(document.value, data.value.pronunciations)(words),
    ...set,
  })

  /** What matching found for a scene; nothing before it has looked. */
  const candidatesOf = (sceneId: string | undefined) =>
    data.value.candidates[sceneId ?? ''] ?? NO_CANDIDATES

  /** The pictures of the film, each once, in order. */
  const items = computed(() => [
    ...new Map(
      document.value.scenes.flatMap(({ shots }) =>
        shots.flatMap(({ item }) => (item ? [[item.id, itemAgain(item)] as const] : [])),
      ),
    ).values(),
  ])

  /** What is to be seen in a made picture of a scene. */
  function descriptionOf(sceneId: string): string {
    const planned = plan.value.scenes.find(({ id }) => id === sceneId)
    if (!planned) return ''
    const picture = pictureAsked(planned.directions).see
    return pictureDescription(
      { text: planned.text, words: candidatesOf(sceneId).words, ...(picture ? { picture } : {}) },
      document.value.title,
      plan.value.chapters[planned.chapter]?.title,
    )
  }

  return {
    parsed,
    plan,
    film,
    sounding,
    sound,
    proxies,
    items,
    descriptionOf,
    candidatesOf,
    sayRequest,
  }
}
