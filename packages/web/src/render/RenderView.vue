<script setup lang="ts">
import { ElButton, ElOption, ElSelect, ElSwitch } from 'element-plus'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { doubtedClaims } from '@tidy-reel/core/checks/claims'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { ledgerOf } from '@tidy-reel/core/film/ledger'
import { clockText, type FrameRate, secondsFromSamples } from '@tidy-reel/core/time/time'
import { episodesApi } from '../api/episodes.ts'
import { renderFile } from '../api/media.ts'
import { useOnce } from '../controls/use-once.ts'
import { useEpisode } from '../episode/episode-store.ts'
import LedgerNote from './LedgerNote.vue'
import RenderLine from './RenderLine.vue'
import { askToTell, useIsTold } from './tell-when-done.ts'

const SHAPES = [
  { label: '1920 × 1080, wide', width: 1920, height: 1080 },
  { label: '3840 × 2160, wide', width: 3840, height: 2160 },
  { label: '1280 × 720, wide', width: 1280, height: 720 },
  { label: '640 × 360, wide, for a look', width: 640, height: 360 },
  { label: '320 × 180, wide, for a test', width: 320, height: 180 },
  { label: '1080 × 1920, upright', width: 1080, height: 1920 },
  { label: '1080 × 1080, square', width: 1080, height: 1080 },
  { label: '1080 × 1350, tall', width: 1080, height: 1350 },
  { label: '2520 × 1080, broad', width: 2520, height: 1080 },
]
const episode = useEpisode()
const size = ref(0)
/** By what they are called: those of NTSC are a thousandth slower (SMPTE ST 12-1). */
const RATES: readonly (readonly [name: string, rate: FrameRate])[] = [
  ['23.976', [24_000, 1001]],
  ['24', [24, 1]],
  ['25', [25, 1]],
  ['29.97', [30_000, 1001]],
  ['30', [30, 1]],
  ['50', [50, 1]],
  ['59.94', [60_000, 1001]],
  ['60', [60, 1]],
]
const rate = ref('30')
const burnIn = ref(true)
const isTold = useIsTold()
const running = computed(() =>
  episode.renders.find(({ state }) => state === 'queued' || state === 'running'),
)
const earlier = computed(() => episode.renders.filter((render) => render !== running.value))
const newest = computed(() => episode.renders.find(({ state }) => state === 'done'))
const doubted = computed(() =>
  doubtedClaims(episode.document.script, episode.parsed, episode.document.claims),
)
const ledger = computed(() => ledgerOf(episode.film))
const cards = computed(
  () => episode.document.scenes.filter(({ shots }) => !shots.some(({ item }) => item)).length,
)

const starting = useOnce(async () => {
  await episode.settled()
  const { width, height } = itemAt(SHAPES, size.value)
  await episodesApi.startRender(episode.data.id, {
    width,
    height,
    fps: RATES.find(([name]) => name === rate.value)?.[1] ?? [30, 1],
    burnIn: burnIn.value,
  })
  await episode.load(episode.data.id)
})
/** The button that was pressed goes grey or away: the focus goes to what can be pressed next. */
const line = useTemplateRef<InstanceType<typeof RenderLine>>('line')
const startButton = useTemplateRef<InstanceType<typeof ElButton>>('startButton')
watch(
  () => !!running.value,
  (isRunning) => {
    if (document.activeElement !== document.body) return
    if (isRunning) line.value?.focusStop()
    else startButton.value?.ref?.focus()
  },
  { flush: 'post' },
)
const taking = useOnce(async (id: string, reason: string) => {
  await episodesApi.takeRender(id, reason)
  await episode.load(episode.data.id)
})
async function cancel(id: string) {
  await episodesApi.cancelRender(id)
  await episode.load(episode.data.id)
}
</script>

<template>
  <main class="render">
    <section class="film">
      <video
        v-if="newest"
        :key="newest.id"
        :src="renderFile(newest.id, 'film.mp4')"
        controls
        preload="metadata"
      >
        <track
          kind="subtitles"
          srclang="en"
          label="English"
          :src="renderFile(newest.id, 'film.vtt')"
        />
      </video>
      <div v-else class="none serif">
        <p>No film yet.</p>
        <p class="soft">Choose a size and start; you can go on working meanwhile.</p>
      </div>
      <RenderLine
        v-if="running"
        ref="line"
        :render="running"
        :document="episode.document"
        @cancel="cancel(running.id)"
      />
      <RenderLine
        v-for="render in earlier"
        :key="render.id"
        :render="render"
        :document="episode.document"
        @taken="(reason) => taking.run(render.id, reason)"
      />
      <p v-if="taking.problem.value" class="red" role="alert">{{ taking.problem.value }}</p>
    </section>
    <aside>
      <h2 class="serif">Render</h2>
      <p class="soft">
        {{ episode.film.scenes.length }} scenes,
        {{ clockText(secondsFromSamples(episode.film.samples)) }} min
      </p>
      <div class="field">
        <label for="size" class="soft">Size and shape</label
        ><ElSelect id="size" v-model="size"
          ><ElOption
            v-for="(shape, i) in SHAPES"
            :key="shape.label"
            :value="i"
            :label="shape.label"
        /></ElSelect>
      </div>
      <div class="field">
        <label for="fps" class="soft">Frames a second</label
        ><ElSelect id="fps" v-model="rate"
          ><ElOption v-for="[name] in RATES" :key="name" :value="name" :label="name"
        /></ElSelect>
      </div>
      <div class="row">
        <label for="burn">Subtitles on the picture</label><ElSwitch id="burn" v-model="burnIn" />
      </div>
      <p class="soft small">
        They are always carried in the film as a track that can be turned on and off.
      </p>
      <div class="row">
        <label for="told">Tell me when it is done</label
        ><ElSwitch id="told" v-model="isTold" @change="(is) => is && void askToTell()" />
      </div>
      <p v-if="cards" class="red small">
        {{ cards }} {{ cards === 1 ? 'scene has' : 'scenes have' }} no picture and will show a plain
        card.
      </p>
      <div v-if="doubted.length" class="red small">
        <p>
          {{ doubted.length === 1 ? 'A claim is' : `${doubted.length} claims are` }} marked unsure
          or wrong:
        </p>
        <ul>
          <li v-for="({ scene, words, mark }, i) in doubted" :key="i">
            “{{ words }}” in scene {{ scene + 1 }}: {{ mark }}
          </li>
        </ul>
      </div>
      <LedgerNote :rows="ledger" />
      <ElButton
        ref="startButton"
        type="primary"
        :loading="starting.doing.value"
        :disabled="!!running || !episode.film.scenes.length"
        @click="starting.run()"
        >{{ running ? 'Rendering …' : 'Start the render' }}</ElButton
      >
      <p v-if="starting.problem.value" class="red" role="alert">{{ starting.problem.value }}</p>
    </aside>
  </main>
</template>

<style scoped>
.render {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
}
.film {
  background: var(--paper);
  border-right: 1px solid var(--hair);
  padding: 24px 32px;
  overflow: auto;
}
video,
.none {
  width: 100%;
  aspect-ratio: 16 / 9;
  max-height: 56vh;
  background: #14161c;
  display: block;
  margin-bottom: 16px;
}
.none {
  background: var(--ground);
  display: grid;
  place-content: center;
  text-align: center;
  font-size: 22px;
  gap: 6px;
}
.none .soft {
  font: 15px var(--sans);
}
aside {
  padding: 22px 20px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
h2 {
  font-size: 26px;
  line-height: 1;
}
.field {
  display: grid;
  gap: 4px;
}
.row {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.small {
  font-size: 13.5px;
}
.small ul {
  margin: 2px 0 0;
  padding-left: 18px;
}
</style>
