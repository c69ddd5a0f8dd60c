<script setup lang="ts">
import { ElButton, ElInput } from 'element-plus'
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue'
import type { KeptWords } from '@tidy-reel/core/document/subtitling'
import {
  type Correction,
  correction,
  countFound,
  replacement,
} from '@tidy-reel/core/film/subtitles/corrections'
import { saidIn } from '@tidy-reel/core/film/subtitles/cues'
import type { SubtitleStyle } from '@tidy-reel/core/style/lettering'
import { useEpisode } from '../episode/episode-store.ts'
import { commandsUnder } from '../keys/key-command.ts'
import { useRoomKeys } from '../keys/room-keys.ts'
import FilmMonitor from '../monitor/FilmMonitor.vue'
import { useLights } from '../monitor/use-lights.ts'
import { usePlayer } from '../monitor/use-player.ts'
import GuidelineFields from './GuidelineFields.vue'
import LanguageChoice from './LanguageChoice.vue'
import LookChoice from './LookChoice.vue'
import SubtitleLine from './SubtitleLine.vue'
import TrackLines from './TrackLines.vue'
import { useCueList } from './use-cue-list.ts'

const episode = useEpisode()
const { lights } = useLights(() => episode.proxies)
const listed = useCueList(
  () => episode.film,
  () => episode.plan,
  () => lights.value,
)
/** Of another language; empty for what is spoken. */
const language = ref('')
const tracks = computed(() => episode.document.subtitling.tracks.map((track) => track.language))
watch(tracks, (now) => {
  if (!now.includes(language.value)) language.value = ''
})
function choose(chosen: string) {
  if (chosen && !tracks.value.includes(chosen))
    episode.run({ type: 'setTrack', language: chosen, texts: [] })
  language.value = chosen
}
/** The monitor shows those that are read, whatever is written on the film. */
const plan = computed(() => ({
  ...episode.plan,
  subtitling: { ...episode.plan.subtitling, burnt: language.value },
}))
/** A scene in another language, seen as it is read. */
function toScene(sceneId: string) {
  if (episode.selected === sceneId) return
  episode.selected = sceneId
  const scene = episode.film.scenes.find(({ id }) => id === sceneId)
  if (scene && !player.playing.value)
    player.seek(Math.round((scene.speechStart + scene.endSample) / 2))
}
const rows = computed(() => listed.value ?? [])
const cues = computed(() => rows.value.map(({ cue }) => cue))
const faulty = computed(() => rows.value.filter(({ faults }) => faults.length).length)
const kept = computed(() => episode.document.subtitling.kept)
/** Hard to read on their pictures. */
const faint = computed(
  () => rows.value.filter(({ faults }) => faults.some(({ kind }) => kind === 'faint')).length,
)
/** Words that are said and not shown: no line stands for them. */
const hidden = computed(() => kept.value.filter(({ shown }) => !shown.trim()))

const player = usePlayer(() => episode.sound)
onBeforeUnmount(() => player.stop())
const guides = ref(false)
const list = ref<HTMLElement>()
const at = ref(0)
const current = computed(() => rows.value[at.value])
watch(at, () => void show())
/** The line that has the cursor, on the monitor too. */
async function show() {
  const row = current.value
  if (!row) return
  episode.selected = row.sceneId
  if (!player.playing.value) player.seek(Math.round((row.cue.start + row.cue.end) / 2))
  await nextTick()
  list.value?.querySelector('.on')?.scrollIntoView({ block: 'nearest' })
}
watch(rows, (now, before) => {
  // Where one came from the sheet, the first subtitle of its scene.
  if (before.length) return
  at.value = Math.max(
    0,
    now.findIndex(({ sceneId }) => sceneId === episode.selected),
  )
  void show()
})

const keep = (set: Correction) => {
  if (set.put.length || set.drop.length) episode.run({ type: 'keepWords', ...set })
}
const write = (i: number, text: string) => keep(correction(cues.value, i, text))
const asSaid = (i: number) =>
  keep(correction(cues.value, i, saidIn(cues.value[i]?.words ?? []).join(' ')))
const forget = (one: KeptWords) => keep({ put: [], drop: [one] })

const wanted = ref('')
const by = ref('')
const found = computed(() => countFound(cues.value, wanted.value.trim()))
function goToFound() {
  const words = wanted.value.trim().toLocaleLowerCase()
  const holds = (i: number) =>
    rows.value[i]?.text.replace(/\n/g, ' ').toLocaleLowerCase().includes(words)
  const order = rows.value.map((_, i) => (at.value + 1 + i) % rows.value.length)
  at.value = order.find(holds) ?? at.value
}
function replaceAll() {
  keep(replacement(cues.value, wanted.value.trim(), by.value.trim()))
  wanted.value = ''
  by.value = ''
}

const move = (step: number) => () =>
  (at.value = Math.min(rows.value.length - 1, Math.max(0, at.value + step)))
function nextFault() {
  const next = rows.value.findIndex(({ faults }, i) => i > at.value && faults.length)
  at.value = next < 0 ? rows.value.findIndex(({ faults }) => faults.length) : next
}
const toKeys = () => list.value?.focus({ preventScroll: true })
const field = () => list.value?.querySelector<HTMLElement>('.on textarea')
/** Out of the field, which hands over what it holds; on to the next with Ctrl. */
function left(event: KeyboardEvent, on: 0 | 1) {
  if (!(event.target instanceof HTMLTextAreaElement)) return
  event.preventDefault()
  toKeys()
  move(on)()
}
function playThis() {
  const row = current.value
  if (row) player.play(row.cue.start, row.cue.end)
}
const command = commandsUnder('Subtitles')
useRoomKeys(() => [
  command('Next subtitle', ['ArrowDown'], move(1)),
  command('Subtitle before', ['ArrowUp'], move(-1)),
  command('Write in it', ['Enter'], () => field()?.focus()),
  command('Hear this one', [' '], playThis),
  command('Next that does not keep to the guideline', ['n'], nextFault),
])
/** A soft shade under those that are hard to read on their pictures, and under no others. */
const mend = () => episode.run({ type: 'setLettering', set: { subtitle: { ground: 'fitting' } } })
/** A look is chosen by seeing it move: the line that has the cursor is played in it. */
async function wear(subtitle: SubtitleStyle) {
  episode.run({ type: 'setLettering', set: { subtitle } })
  await nextTick()
  playThis()
}
const told = computed(() => {
  const count = rows.value.length
  if (!listed.value) return 'Being listed …'
  const all = `${count} ${count === 1 ? 'subtitle' : 'subtitles'}`
  if (!faulty.value) return `${all}, all easily read`
  return `${all}, ${faulty.value} not easily read`
})
</script>

<template>
  <main class="subtitles">
    <TrackLines v-if="language" :language="language" @at="toScene">
      <LanguageChoice :language="language" :tracks="tracks" @choose="choose" />
    </TrackLines>
    <section v-else class="read" aria-label="All subtitles">
      <div class="head">
        <b class="serif">Subtitles</b>
        <LanguageChoice :language="language" :tracks="tracks" @choose="choose" />
        <span class="soft told" role="status">{{ told }}</span>
        <ElButton v-if="faulty" size="small" @click="nextFault">Next of them</ElButton>
        <ElButton
          v-if="faint"
          size="small"
          :title="`${faint} are hard to read on their pictures`"
          @click="mend"
          >Shade where needed</ElButton
        >
        <RouterLink class="link" :to="{ name: 'sheet' }">Back to the sheet</RouterLink>
      </div>
      <form class="find" @submit.prevent="goToFound">
        <ElInput v-model="wanted" size="small" placeholder="find" aria-label="Find words" />
        <ElInput v-model="by" size="small" placeholder="show instead" aria-label="Show instead" />
        <span class="soft count" role="status">{{
          wanted.trim() ? `${found} ${found === 1 ? 'time' : 'times'}` : ''
        }}</span>
        <ElButton size="small" native-type="submit" :disabled="!found">Go to the next</ElButton>
        <ElButton size="small" :disabled="!found || !by.trim()" @click="replaceAll"
          >Replace all</ElButton
        >
      </form>
      <div
        ref="list"
        class="list"
        tabindex="-1"
        data-room-keys
        @keydown.ctrl.enter="left($event, 1)"
        @keydown.esc="left($event, 0)"
      >
        <p v-if="listed && !rows.length" class="soft note">
          Nothing is spoken yet. Write or paste a script, and what its subtitles say stands here.
        </p>
        <SubtitleLine
          v-for="(row, i) in rows"
          :key="row.cue.start"
          :row="row"
          :number="i + 1"
          :on="i === at"
          @click="at = i"
          @focusin="at = i"
          @write="(text) => write(i, text)"
          @spoken="asSaid(i)"
        />
      </div>
    </section>
    <section class="beside" aria-label="The film">
      <FilmMonitor
        v-if="episode.film.frames"
        :film="episode.film"
        :plan="plan"
        :player="player"
        :proxies="episode.proxies"
        :guides="guides"
        @guides="guides = !guides"
      />
      <GuidelineFields
        :subtitling="episode.document.subtitling"
        @change="(set) => episode.run({ type: 'setSubtitling', set })"
      />
      <LookChoice :subtitle="episode.document.lettering.subtitle" @wear="wear" />
      <p class="soft note">
        A line is written over as it is to be read; the voice goes on saying what the script says.
        It stays with its words, whatever is cut or moved. Enter breaks a line, Ctrl+Enter goes on
        to the next.
      </p>
      <template v-if="hidden.length">
        <h2 class="serif">Said and not shown</h2>
        <ul>
          <li v-for="one in hidden" :key="one.words.join(' ') + one.beside?.before">
            <i>{{ one.words.join(' ') }}</i>
            <button class="plain link" @click="forget(one)">Show it again</button>
          </li>
        </ul>
      </template>
    </section>
  </main>
</template>

<style scoped>
.subtitles {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 420px;
  min-height: 0;
}
.read {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto auto minmax(0, 1fr);
  min-height: 0;
}
.head,
.find {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 8px 16px;
  border-bottom: 1px solid var(--hair);
}
.head b {
  font-size: 17px;
}
.told {
  flex: 1;
}
.find .el-input {
  width: 150px;
}
.find .el-button {
  margin: 0;
}
.count {
  flex: 1;
}
.list {
  overflow: auto;
  background: var(--paper);
  outline: none;
}
.note {
  margin: 0;
  font-size: 14px;
}
.list .note {
  padding: 16px;
}
.beside {
  border-left: 1px solid var(--hair);
  padding: 14px 16px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  align-content: start;
  overflow: auto;
}
h2 {
  font-size: 17px;
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  border-bottom: 1px solid var(--hair);
  padding: 3px 0;
}
@media (max-width: 1000px), (max-height: 540px) {
  .subtitles {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }
  .list,
  .beside {
    overflow: visible;
  }
  .beside {
    grid-row: 1;
    border-left: 0;
  }
  .head,
  .find {
    flex-wrap: wrap;
  }
}
</style>
