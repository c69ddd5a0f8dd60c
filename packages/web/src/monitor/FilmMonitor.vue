<script setup lang="ts">
import { useElementSize, watchDebounced } from '@vueuse/core'
import { Grid3x3, Maximize, Pause, Play, Repeat } from 'lucide-vue-next'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, toRaw, watch } from 'vue'
import type { Film } from '@tidy-reel/core/document/film-scenes'
import { certain, itemAt } from '@tidy-reel/core/faults/certain'
import { frameOf } from '@tidy-reel/core/film/lettering/frame'
import type { PlacedInlay } from '@tidy-reel/core/film/placed-inlay'
import { filesIn, filmShots, pictureInputs, type SegmentShot } from '@tidy-reel/core/film/shots'
import type { SoftShade } from '@tidy-reel/core/film/soft-shade'
import { clockText, frameAtSample, secondsFromSamples } from '@tidy-reel/core/time/time'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { cutout } from '../api/media.ts'
import { inTheEnd } from '../controls/in-the-end.ts'
import { lastingWorker } from '../controls/lasting-worker.ts'
import { laterPart } from '../controls/later-part.ts'
import { drawFrame, placeOfFrame } from './draw-frame.ts'
import { drawInlays } from './draw-inlays.ts'
import { drawShades } from './draw-shades.ts'
import type { Lettering } from './lettering.ts'
import type { Lettered, LettersAsked } from './letters.worker.ts'
import type { MovableThing, Moved } from './movable.ts'
import type { PictureGrader } from './picture-grader.ts'
import { clipDeck, stillShelf } from './picture-source.ts'
import { useLights } from './use-lights.ts'
import type { Player } from './use-player.ts'

/** Fetched with the first thing that may be moved. */
const MovableThings = laterPart(() => import('./MovableThings.vue'))
const props = defineProps<{
  film: Timeline
  plan: Film
  player: Player
  proxies: ReadonlySet<string>
  guides: boolean
  /** Of the film; it is lettered for it and drawn as large as the monitor is. */
  shape?: { width: number; height: number }
  /** What its shape is called, where it can be changed. */
  ratio?: string
  /** Whether what stands on the picture may be put elsewhere. */
  movable?: boolean
}>()
const emit = defineEmits<{ guides: []; move: [moved: Moved]; shape: [] }>()
/** How long before its shot a clip is made ready, in frames. */
const READY_FRAMES = 60
const lettered = computed(() => props.shape ?? { width: 1920, height: 1080 })
const filmFrame = computed(() => frameOf(lettered.value.width, lettered.value.height))
const screen = ref<HTMLElement>()
const picture = ref<HTMLCanvasElement>()
const letters = ref<HTMLCanvasElement>()
const size = useElementSize(screen)
const ready = (id: string) => props.proxies.has(id)
const stills = stillShelf(ready, () => draw())
/** What is laid over keeps what is clear of it, which a proxy does not. */
const cutouts = stillShelf(
  () => true,
  () => draw(),
  { address: cutout },
)
const clips = clipDeck(ready, () => !props.player.playing.value && draw())
const { lights, isWhole: isLit } = useLights(() => props.proxies)
const shots = computed(() =>
  filmShots(props.film, () => true, {
    aspect: lettered.value.width / lettered.value.height,
    lights: lights.value,
  }),
)
const isGraded = computed(() =>
  shots.value.some((scene) =>
    pictureInputs(scene).some(({ source }) => source.kind !== 'card' && source.grade),
  ),
)
/** Fetched with the first picture whose colours are changed. */
const grader = shallowRef<PictureGrader>()
watch(
  isGraded,
  async (is) => {
    if (!is || grader.value) return
    const { pictureGrader } = await inTheEnd(() => import('./picture-grader.ts'))
    grader.value ??= pictureGrader()
    draw()
  },
  { immediate: true },
)
const frame = computed(() =>
  Math.min(props.film.frames - 1, frameAtSample(props.player.at.value, props.film.fps)),
)
let written: Lettering | undefined
/** Whether letters are asked for, and there, by the light of all pictures that are there. */
let [isAsked, isLettered] = [false, false]
/** Breaking a long film's words into subtitles takes longer than a key press may. */
const inlays = shallowRef<readonly PlacedInlay[]>([])
const shades = shallowRef<readonly SoftShade[]>([])
const things = shallowRef<readonly MovableThing[]>([])
const movableNow = computed(() => {
  const at = props.player.at.value
  if (!props.movable || props.player.playing.value) return []
  return things.value.filter(({ start, end }) => start <= at && at < end)
})
const letterer = lastingWorker<LettersAsked, Lettered>(
  () => new Worker(new URL('./letters.worker.ts', import.meta.url), { type: 'module' }),
  ({ ass, inlays: laid, shades: soft, movable }) => {
    isLettered = isAsked
    inlays.value = laid
    shades.value = soft
    things.value = movable
    void written?.write(ass).then(draw)
  },
)

const shotAt = ({ scene, shot }: { scene: number; shot: number }) =>
  itemAt(itemAt(shots.value, scene), shot)

/** Whether the picture that is seen is still on its way. */
const waits = ref(false)
const isToCome = ({ source }: SegmentShot) =>
  filesIn(source).some(({ item }) => !props.proxies.has(item.id))

/** Draws the frame the player stands at; the element says which, once all of it could be drawn. */
function draw() {
  const canvas = picture.value
  const context = canvas?.getContext('2d', { alpha: false })
  if (!canvas || !context) return
  const place = placeOfFrame(props.film, frame.value)
  if (!place) {
    context.fillStyle = '#14161c'
    context.fillRect(0, 0, canvas.width, canvas.height)
    return
  }
  const rate = props.player.playing.value ? props.player.rate.value : 0
  clips.begin()
  const seen = drawFrame(
    {
      context,
      frame: filmFrame.value,
      stills,
      grader: grader.value,
      clips,
      fps: props.film.fps,
      rate,
      palette: props.plan.lettering.palette,
    },
    shotAt(place),
    place.frame,
  )
  const laying = { context, frame: filmFrame.value, fps: props.film.fps, stills: cutouts }
  const whole = drawInlays(laying, inlays.value, frame.value) && seen
  drawShades(laying, shades.value, frame.value)
  waits.value = !seen && isToCome(shotAt(place))
  if (rate > 0) makeReady(place.scene, place.shot)
  else clips.pause()
  const drawn = frame.value
  // Half a frame on: at the very edge a subtitle may or may not be there yet.
  void written
    ?.show(((drawn + 0.5) * props.film.fps[1]) / props.film.fps[0])
    .then(
      () => screen.value && (screen.value.dataset.frame = whole && isLettered ? String(drawn) : ''),
    )
}

/** The next shot's clip is loaded before it is seen, so that the change leaves no gap. */
function makeReady(scene: number, shot: number) {
  const next = itemAt(shots.value, scene)[shot + 1] ?? shots.value[scene + 1]?.[0]
  const end = itemAt(itemAt(props.film.scenes, scene).shots, shot).endFrame
  // What goes on is there already.
  if (!next || next.first > 0 || end - frame.value > READY_FRAMES) return
  for (const source of filesIn(next.source))
    if (source.kind === 'clip')
      clips.ready({ id: source.item.id, time: source.slip / 48_000, rate: 0 })
    else stills.get(source.item.id)
}

watch([frame, () => props.player.playing.value, shots], draw)
watchDebounced([() => props.film, () => props.plan, lettered, lights, isLit], write, {
  debounce: 250,
})
watchDebounced(() => props.proxies, draw, { debounce: 300, maxWait: 1500 })
watch([size.width, size.height, lettered], fit)

function write() {
  isAsked = isLit.value
  letterer.post({
    film: toRaw(props.film),
    plan: toRaw(props.plan),
    shots: shots.value,
    lights: lights.value,
    ...lettered.value,
  })
}
function fit() {
  const canvas = picture.value
  if (!canvas || !size.width.value) return
  canvas.width = Math.min(1920, Math.round(size.width.value * devicePixelRatio))
  canvas.height = Math.round((canvas.width * lettered.value.height) / lettered.value.width)
  draw()
}
/** libass comes after the room is there: nothing but letters waits for it. */
let isGone = false
onMounted(async () => {
  fit()
  const { lettering } = await inTheEnd(
    () => import('./lettering.ts'),
    () => !isGone,
  )
  if (isGone) return
  written = lettering(certain(letters.value))
  write()
})
onBeforeUnmount(() => {
  isGone = true
  written?.close()
  letterer.end()
  clips.close()
  grader.value?.close()
})

const time = computed(() => {
  const seconds = Math.floor(secondsFromSamples(props.player.at.value))
  const within = frame.value - Math.round((seconds * props.film.fps[0]) / props.film.fps[1])
  return `${clockText(seconds)}:${String(Math.max(0, within)).padStart(2, '0')}`
})
const fullscreen = () =>
  document.fullscreenElement ? document.exitFullscreen() : screen.value?.requestFullscreen()
defineExpose({ fullscreen })
</script>

<template>
  <section class="monitor" aria-label="Monitor">
    <div
      ref="screen"
      class="screen"
      data-frame=""
      :style="{ '--ratio': lettered.width / lettered.height }"
      @click="player.toggle()"
    >
      <canvas ref="picture" class="picture" />
      <canvas ref="letters" class="letters" />
      <MovableThings
        v-if="movableNow.length"
        :things="movableNow"
        :frame="filmFrame"
        @move="emit('move', $event)"
        @press="player.toggle()"
      />
      <p v-if="waits" class="waits serif">This picture is still to come</p>
      <div v-if="guides" class="guides" aria-hidden="true"><i /><i /><b /></div>
    </div>
    <div class="bar">
      <button
        class="plain"
        :aria-label="player.playing.value ? 'Stop' : 'Play from here'"
        :title="`${player.playing.value ? 'Stop' : 'Play from here'} (space; J K L)`"
        @click="player.toggle()"
      >
        <Pause v-if="player.playing.value" :size="16" :stroke-width="1.6" /><Play
          v-else
          :size="16"
          :stroke-width="1.6"
        />
      </button>
      <span class="mono now">{{ time }}</span>
      <span v-if="player.playing.value && player.rate.value !== 1" class="mono"
        >{{ player.rate.value < 0 ? '−' : '' }}{{ Math.abs(player.rate.value) }}×</span
      >
      <input
        type="range"
        min="0"
        :max="film.samples"
        :value="player.at.value"
        step="1600"
        tabindex="-1"
        aria-label="Place in the film"
        @input="player.seek(Number(($event.target as HTMLInputElement).value))"
        @change="($event.target as HTMLInputElement).blur()"
      />
      <span class="mono">{{ clockText(secondsFromSamples(film.samples)) }}</span>
      <button
        class="plain"
        :class="{ on: player.loop.value }"
        :aria-pressed="player.loop.value"
        aria-label="Repeat the scene"
        title="Repeat the scene (R)"
        @click="player.repeat()"
      >
        <Repeat :size="15" :stroke-width="1.6" />
      </button>
      <button
        v-if="ratio"
        class="plain mono ratio"
        :aria-label="`Shape ${ratio}: the next one`"
        title="See the film in the next shape (Shift W)"
        @click="emit('shape')"
      >
        {{ ratio }}
      </button>
      <button
        class="plain"
        :class="{ on: guides }"
        :aria-pressed="guides"
        aria-label="Guides"
        title="Guides: thirds and safe area (G)"
        @click="emit('guides')"
      >
        <Grid3x3 :size="15" :stroke-width="1.6" />
      </button>
      <button class="plain" aria-label="Whole screen" title="Whole screen (W)" @click="fullscreen">
        <Maximize :size="15" :stroke-width="1.6" />
      </button>
    </div>
  </section>
</template>

<style scoped>
.screen {
  position: relative;
  width: min(100%, calc(var(--screen-most, 100vh) * var(--ratio)));
  aspect-ratio: var(--ratio);
  margin: 0 auto;
  background: #14161c;
  overflow: hidden;
  cursor: pointer;
}
.screen:fullscreen {
  display: grid;
  place-items: center;
}
canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  display: block;
}
.screen:fullscreen canvas {
  inset: auto;
  width: 100vw;
  height: 56.25vw;
  max-height: 100vh;
  max-width: 177.78vh;
}
.letters {
  pointer-events: none;
}

.waits {
  position: absolute;
  right: 0;
  top: 0;
  margin: 0;
  padding: 2px 9px 3px;
  background: var(--paper);
  color: var(--ink);
  font-size: 14px;
  font-style: italic;
}
.guides {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.guides i {
  position: absolute;
  border: solid #fbf8f0;
  opacity: 0.55;
}
.guides i:first-child {
  inset: 0 33.333%;
  border-width: 0 1px;
}
.guides i:nth-child(2) {
  inset: 33.333% 0;
  border-width: 1px 0;
}
.guides b {
  position: absolute;
  inset: 5%;
  border: 1px dashed #fbf8f0;
  opacity: 0.7;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  padding: 7px 16px;
  border-bottom: 1px solid var(--hair);
}
.bar button {
  display: flex;
}
.on {
  color: var(--blue);
}
.now {
  min-width: 62px;
  color: var(--ink);
}
input {
  flex: 1;
  min-width: 60px;
  accent-color: var(--blue);
  height: 18px;
}
</style>
