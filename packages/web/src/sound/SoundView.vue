<script setup lang="ts">
import { computed, nextTick, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import { type Document, PLAIN_SPEAKING } from '@tidy-reel/core/document/document'
import { baseOf } from '@tidy-reel/core/speech/language'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import { clockText, SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { sceneSeconds } from '@tidy-reel/core/timeline/timeline'
import type { VoiceView } from '@tidy-reel/core/views/speech'
import { voiceFile } from '../api/media.ts'
import { speechApi } from '../api/speech.ts'
import { drawingSteps } from '../controls/drawing-steps.ts'
import { laterPart } from '../controls/later-part.ts'
import MenuButton from '../controls/MenuButton.vue'
import { saveFrom } from '../controls/save-text.ts'
import { useEpisode } from '../episode/episode-store.ts'
import type { FilmSound } from '../monitor/film-sound.ts'
import type FilmMixView from './FilmMix.vue'
import SceneVoicePanel from './SceneVoicePanel.vue'
import { type SpokenScene, spokenScenes } from './spoken-scenes.ts'
import SpokenScenes from './SpokenScenes.vue'
import { useSay } from './use-say.ts'
import { useVoices } from './use-voices.ts'
import VoiceList from './VoiceList.vue'

/** What plays the film and draws its mix is fetched after what is seen first. */
const FilmMix = laterPart(() => import('./FilmMix.vue'))
const CompareStrip = laterPart(() => import('./CompareStrip.vue'))
const SpeakingPanel = laterPart(() => import('./SpeakingPanel.vue'))
const PronunciationPanel = laterPart(() => import('./PronunciationPanel.vue'))
const SceneSounds = laterPart(() => import('./SceneSounds.vue'))
const SceneMusic = laterPart(() => import('./SceneMusic.vue'))
const MusicList = laterPart(() => import('./MusicList.vue'))
const MixPanel = laterPart(() => import('./MixPanel.vue'))
const COMPARED = 3
const SAVED_AS = [
  ['voice.wav', 'whole, WAV'],
  ['voice.flac', 'whole, FLAC'],
  ['voice.mp3', 'whole, MP3'],
  ['scenes.zip', 'a WAV a scene, in a ZIP'],
  ['marks.json', 'words with their times, JSON'],
  ['marks.vtt', 'words with their times, WebVTT'],
  ['marks.TextGrid', 'words with their times, Praat TextGrid'],
] as const
const episode = useEpisode()
const drawn = drawingSteps(3)
const id = episode.data.id
const { byId, voices, shown, languages, accents, filter, favourites, like, fault } = useVoices('en')
const { saying, heard, problem, say, stop: hush } = useSay()
const mix = useTemplateRef<InstanceType<typeof FilmMixView>>('mix')
/** One thing is heard at a time. */
watch(saying, (key) => key && mix.value?.stop())
const document = computed(() => episode.document)
const pronunciations = computed(() => episode.sayRequest({ text: '' }).pronunciations ?? [])
const scenes = computed(() =>
  spokenScenes(
    document.value,
    episode.plan.scenes,
    episode.data.takes,
    byId.value,
    pronunciations.value,
  ),
)
const scene = computed(
  () => scenes.value.find((one) => one.id === episode.selected) ?? scenes.value[0],
)
const planned = computed(() => episode.plan.scenes.find((one) => one.id === scene.value?.id))
const speakers = computed(() => [
  ...new Set(scenes.value.map(({ speaker }) => speaker).filter(Boolean)),
])
/**
 * Voices to choose from where the list is not: those of the film's language, and the ones liked.
 */
const nearVoices = computed(() => {
  const language = baseOf(byId.value.get(document.value.voice)?.language ?? 'en')
  return voices.value.filter(
    (voice) => baseOf(voice.language) === language || favourites.value.includes(voice.id),
  )
})
const compared = ref<string[]>([])
const side = computed(() => compared.value.flatMap((one) => byId.value.get(one) ?? []))
const spoken = computed(() => scenes.value.filter(({ seconds }) => seconds !== undefined).length)
/** A film of before its music was made has none yet. */
onMounted(() => {
  const { bed } = episode.data
  if (!bed && document.value.mood !== 'none' && spoken.value) void episode.prepare(false)
})
const saved = computed(
  () =>
    Object.values(episode.data.takes).reduce((sum, take) => sum + (take.saved ?? 0), 0) /
    SAMPLE_RATE,
)
const noises = computed(() => {
  const all = Object.values(episode.data.takes).map(
    (take) => take.noises ?? { breaths: 0, fillers: 0 },
  )
  const [fillers, breaths] = [
    all.reduce((sum, one) => sum + one.fillers, 0),
    all.reduce((sum, one) => sum + one.breaths, 0),
  ]
  return [
    fillers ? `${fillers} “um”` : '',
    breaths ? `${breaths} ${breaths === 1 ? 'breath' : 'breaths'}` : '',
  ]
    .filter(Boolean)
    .join(' and ')
})
/** Music that is heard in place of the film's, until it stops. */
const tried = shallowRef<{ name: string; bed: FilmSound['bed'] }>()
const heardFrom = computed(
  () => episode.film.scenes.find(({ id: known }) => known === scene.value?.id)?.startSample ?? 0,
)
async function tryMusic(name: string, bed: FilmSound['bed']) {
  mix.value?.stop()
  hush()
  // What was heard has been taken away by then.
  await nextTick()
  tried.value = { name, bed }
  await nextTick()
  mix.value?.play(heardFrom.value)
}
const run = (command: Command) => episode.run(command)
function chooseMood(mood: Document['mood']) {
  if (document.value.score.own !== null) run({ type: 'setScore', set: { own: null } })
  if (mood !== document.value.mood) run({ type: 'setMood', mood })
}
/** A voice that is closer lies further before the music too, in dB (by ear). */
const CLOSER_DB = 2
function bringVoiceCloser(isClose: boolean) {
  const below = document.value.mixing.below + (isClose ? CLOSER_DB : -CLOSER_DB)
  run({ type: 'setSpeaking', set: { finish: isClose ? 'intimate' : PLAIN_SPEAKING.finish } })
  run({ type: 'setMixing', set: { below: Math.min(40, Math.max(6, below)) } })
}
/** Speech and silence of the film by the estimate; voices differ by the first. */
const estimate = computed(() => {
  const all = sceneSeconds(
    episode.plan.scenes,
    document.value.speed,
    document.value.speaking.pauses,
  ).reduce((sum, seconds) => sum + seconds, 0)
  const speech = episode.plan.scenes.reduce(
    (sum, { estimatedSeconds, pace = 1 }) => sum + estimatedSeconds / (document.value.speed * pace),
    0,
  )
  return { speech, silence: all - speech }
})
const lasts = (voice: VoiceView) =>
  estimate.value.speech ? estimate.value.speech * voice.rate + estimate.value.silence : 0
/** The words that voices are tried with. */
const sample = computed(() => ({
  text: scene.value?.text ?? 'The tide comes in twice a day.',
  speaker: '',
}))

const hearVoice = (voice: VoiceView, key: string) =>
  void say(key, episode.sayRequest(sample.value, { voice: voice.id }))
const hearScene = ({ id: sceneId, hash }: SpokenScene) => {
  const { take: _chosen, ...film } = episode.plan.scenes.find(({ id: known }) => known === sceneId)!
  void say(`scene ${sceneId}`, hash ? { hash } : episode.sayRequest(film))
}
function compare(voice: string) {
  compared.value = compared.value.includes(voice)
    ? compared.value.filter((one) => one !== voice)
    : [...compared.value.slice(-(COMPARED - 1)), voice]
}
const choose = (voice: string) => run({ type: 'setVoice', voice, speed: document.value.speed })
async function changeList(where: 'episode' | 'channel', list: Pronunciation[]) {
  if (where === 'episode') return run({ type: 'setSpeaking', set: { pronunciations: list } })
  try {
    await speechApi.setPronunciations(list)
    await episode.load(id)
    if (scenes.value.length) await episode.prepare(false)
  } catch (cause) {
    problem.value = (cause as Error).message
  }
}
watch(
  scene,
  (one) => {
    if (one && !episode.selected) episode.selected = one.id
  },
  { immediate: true },
)
function step(by: number) {
  const at = scenes.value.findIndex((one) => one.id === scene.value?.id)
  const next = scenes.value[at + by]
  if (next) episode.selected = next.id
}
</script>

<template>
  <div class="sound">
    <VoiceList
      v-model:filter="filter"
      :voices="shown"
      :languages
      :accents
      :favourites
      :lasts
      :chosen="document.voice"
      :compared
      :saying
      :heard
      @say="(voice) => hearVoice(voice, voice.id)"
      @choose="choose"
      @like="like"
      @compare="compare"
    />
    <main tabindex="-1" @keydown.down.prevent="step(1)" @keydown.up.prevent="step(-1)">
      <p v-if="fault || problem" class="fault red" role="alert">{{ problem || fault }}</p>
      <CompareStrip
        v-if="side.length && scene"
        :voices="side"
        :chosen="document.voice"
        :saying
        :heard
        :number="scene.number"
        @say="(voice) => hearVoice(voice, `compare ${voice.id}`)"
        @choose="choose"
        @away="compare"
      />
      <header v-if="scenes.length">
        <span
          >{{ scenes.length }} scenes,
          {{ spoken === scenes.length ? 'all spoken' : `${spoken} spoken` }}</span
        >
        <span class="mono">{{ clockText(episode.film.samples / 48_000) }}</span>
        <button v-if="spoken < scenes.length" class="plain link" @click="episode.prepare()">
          Speak the rest
        </button>
        <RouterLink class="link save" :to="{ name: 'record' }">Record your own</RouterLink>
        <MenuButton
          v-if="spoken"
          class="link"
          :choices="SAVED_AS"
          @choose="(name) => saveFrom(voiceFile(id, name))"
        >
          Save the voice
        </MenuButton>
      </header>
      <SpokenScenes
        v-if="scenes.length && drawn >= 1"
        :scenes
        :selected="scene?.id ?? ''"
        :saying
        :heard
        @select="(one) => (episode.selected = one)"
        @say="hearScene"
      />
      <p v-else-if="!scenes.length" class="empty soft">
        Nothing is spoken yet. Write or bring a script in the
        <RouterLink :to="{ name: 'script' }" class="link">Script room</RouterLink>; then each
        sentence stands here with what its voice makes of it.
      </p>
    </main>
    <aside>
      <SceneVoicePanel
        v-if="scene && planned && drawn >= 2"
        :scene
        :film="planned"
        :voices="nearVoices"
        :speaking="!!episode.preparing && episode.preparing.step !== 'done'"
        :takes-of="(sceneId) => speechApi.sceneTakes(id, sceneId)"
        :saying
        :heard
        @run="run"
        @hear="
          (key, { hash, kind, text }) =>
            say(key, kind === 'recorded' ? episode.sayRequest({ text }, { take: hash }) : { hash })
        "
      />
      <SceneSounds
        v-if="scene && drawn >= 3"
        class="ruled"
        :scene-id="scene.id"
        :number="scene.number"
        @run="run"
      />
      <SceneMusic
        v-if="scene && drawn >= 3"
        class="ruled"
        :scene-id="scene.id"
        :number="scene.number"
        @run="run"
      />
      <MixPanel
        v-if="drawn >= 3"
        :mood="document.mood"
        :sound="episode.sound"
        :scenes
        :score="document.score"
        :closer="document.speaking.finish === 'intimate'"
        @set="(set) => run({ type: 'setMixing', set })"
        @score="(set) => run({ type: 'setScore', set })"
        @mood="chooseMood"
        @hear="(from) => mix?.play(from)"
        @closer="bringVoiceCloser"
        ><template #list
          ><MusicList
            :episode-id="id"
            :mood="document.mood"
            :score="document.score"
            :at="heardFrom"
            :playing="tried?.name ?? ''"
            @hear="tryMusic"
            @stop="mix?.stop()"
            @choose="chooseMood"
            @choose-own="(own) => run({ type: 'setScore', set: { own } })" /></template
      ></MixPanel>
      <SpeakingPanel
        v-if="drawn >= 3"
        :speaking="document.speaking"
        :speed="document.speed"
        :saved
        :noises
        :speakers
        :voices="nearVoices"
        :saying
        :heard
        @set="(set) => run({ type: 'setSpeaking', set })"
        @speed="(speed) => run({ type: 'setVoice', voice: document.voice, speed })"
        @hear="(finish) => say(`finish ${finish}`, episode.sayRequest(sample, { finish }))"
      />
      <PronunciationPanel
        v-if="drawn >= 3"
        :episode="document.speaking.pronunciations"
        :channel="episode.data.pronunciations"
        :saying
        :heard
        @change="changeList"
        @hear="
          (key, entry) =>
            say(key, episode.sayRequest({ text: entry.word }, { pronunciations: [entry] }))
        "
      />
    </aside>
    <FilmMix
      v-if="spoken && drawn >= 2"
      ref="mix"
      class="foot"
      :sound="tried ? { ...episode.sound, bed: tried.bed } : episode.sound"
      :selected="scene?.id ?? ''"
      @select="(one) => (episode.selected = one)"
      @run="run"
      @play="hush"
      @stopped="tried = undefined"
    />
  </div>
</template>

<style scoped>
.sound {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr) 320px;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
}
.foot {
  grid-column: 1 / 4;
}
main {
  display: flex;
  flex-direction: column;
  min-height: 0;
  outline: none;
}
header {
  display: flex;
  gap: 18px;
  align-items: baseline;
  padding: 10px 18px;
  border-bottom: 1px solid var(--hair);
}
main > ol {
  flex: 1;
}
.save {
  margin-left: auto;
}
aside {
  overflow: auto;
  border-left: 1px solid var(--hair);
  background: var(--paper);
  min-height: 0;
}
.ruled {
  border-bottom: 1px solid var(--hair);
}
.fault {
  padding: 8px 18px;
  border-bottom: 1px solid var(--red);
}
.empty {
  padding: 40px;
  max-width: 460px;
}
</style>
