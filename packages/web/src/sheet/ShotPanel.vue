<script setup lang="ts">
import { ElInputNumber, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { Command, CommandOf, Target } from '@tidy-reel/core/document/command'
import { type Fit, PLAINLY_HEARD, type Shot } from '@tidy-reel/core/document/document'
import { shownShares } from '@tidy-reel/core/pictures/framing'
import type { Item } from '@tidy-reel/core/pictures/item'
import type { Move, View } from '@tidy-reel/core/pictures/view'
import type { Transition } from '@tidy-reel/core/style/transition'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { EpisodeView } from '@tidy-reel/core/views/episode'
import KeptSlider from '../controls/KeptSlider.vue'
import TransitionFields from '../controls/TransitionFields.vue'
import ItemThumb from '../pictures/ItemThumb.vue'
import { useStyleWriting } from '../styles/use-style-writing.ts'
import { FOR_SCENES } from './for-which.ts'
import ForWhich from './ForWhich.vue'
import LayoutFields from './LayoutFields.vue'

const props = defineProps<{
  number: number
  index: number
  shot: Shot | undefined
  target: Target
  single: boolean
  /** How it is seen now; nothing where that is the whole of it. */
  seen: Move | undefined
  film: Transition
  /** Width by height of the film as it is seen now. */
  aspect: number
  /** What matching offers for the scene. */
  offers: readonly Item[]
  /** By ids of clips; null of one that has none. */
  clipSounds: EpisodeView['clipSounds']
}>()
const emit = defineEmits<{
  run: [command: Command]
  target: [target: 'these' | 'chapter' | 'all']
  shot: [index: number]
}>()
const clip = computed(() => props.shot?.item?.kind === 'clip')
const hasNoSound = computed(() => props.clipSounds[props.shot?.item?.id ?? ''] === null)
const adjust = (set: CommandOf<'adjustShots'>['set']) =>
  emit('run', {
    type: 'adjustShots',
    target: props.target,
    shot: props.single ? props.index : null,
    set,
  })

const WHOLE: View = { x: 0.5, y: 0.5, scale: 1 }
const move = computed((): Move => props.shot?.frame ?? props.seen ?? { from: WHOLE, to: WHOLE })
const ENDS = [
  { name: 'from', label: 'at its start' },
  { name: 'to', label: 'at its end' },
] as const
/** The view as it is dragged, until it is let go. */
const held = ref<{ end: 'from' | 'to'; view: View }>()
const viewOf = (end: 'from' | 'to') => (held.value?.end === end ? held.value.view : move.value[end])
const box = (view: View) => ({
  left: `${100 * inside(view.x, view.scale * shares.value.across)}%`,
  top: `${100 * inside(view.y, view.scale * shares.value.down)}%`,
  width: `${100 * view.scale * shares.value.across}%`,
  height: `${100 * view.scale * shares.value.down}%`,
})
/** How much of the picture the film's shape shows at most. */
const ownShape = computed(() => {
  const { width, height } = props.shot?.item ?? { width: 16, height: 9 }
  return width && height ? width / height : 16 / 9
})
const shares = computed(() => shownShares(ownShape.value, props.aspect))
/** As large as there is room for. */
const pictureSize = computed(() => {
  const width = Math.min(176, 99 * ownShape.value)
  return { width: `${width}px`, height: `${width / ownShape.value}px` }
})
const inside = (middle: number, part: number) => centre(middle, part) - part / 2
/** The nearest middle at which a view of this size does not reach over the picture's edge. */
const centre = (middle: number, part: number) => Math.min(1 - part / 2, Math.max(part / 2, middle))
const centred = ({ x, y, scale }: View): View => ({
  scale,
  x: centre(x, scale * shares.value.across),
  y: centre(y, scale * shares.value.down),
})

function drag(event: PointerEvent, end: 'from' | 'to') {
  const picture = event.currentTarget as HTMLElement
  if (event.type === 'pointerdown') picture.setPointerCapture(event.pointerId)
  else if (!held.value) return
  const at = picture.getBoundingClientRect()
  const { scale } = viewOf(end)
  held.value = {
    end,
    view: centred({
      scale,
      x: (event.clientX - at.left) / at.width,
      y: (event.clientY - at.top) / at.height,
    }),
  }
}
const STEP = 0.02
/** The arrows move what is seen, as dragging does. */
function nudge(event: KeyboardEvent, end: 'from' | 'to') {
  const [dx, dy] = {
    ArrowLeft: [-STEP, 0],
    ArrowRight: [STEP, 0],
    ArrowUp: [0, -STEP],
    ArrowDown: [0, STEP],
  }[event.key] ?? [0, 0]
  if (!dx && !dy) return
  event.preventDefault()
  event.stopPropagation()
  const { x, y, scale } = viewOf(end)
  frame(end, centred({ scale, x: x + dx!, y: y + dy! }))
}
function drop() {
  if (!held.value) return
  const { end, view } = held.value
  held.value = undefined
  frame(end, view)
}
const round = (n: number) => Math.round(n * 1000) / 1000
const frame = (end: 'from' | 'to', view: View) =>
  adjust({
    frame: {
      ...move.value,
      [end]: { x: round(view.x), y: round(view.y), scale: round(view.scale) },
    },
  })
const style = useStyleWriting((command) => emit('run', command))
/** One transition at all cuts: none keeps its own. */
function everywhere(transition: Transition) {
  emit('run', { type: 'setTransition', transition })
  emit('run', { type: 'adjustShots', target: 'all', shot: null, set: { transition: null } })
}
function inTheStyle(transition: Transition) {
  everywhere(transition)
  void style.write((now) => ({ ...now, film: { ...now.film, transition } }))
}
const transition = computed(() => props.shot?.transition ?? props.film)
</script>

<template>
  <section class="panel" aria-label="This shot">
    <h2 class="serif">
      Picture {{ index + 1 }} of scene {{ number }}
      <span class="soft name">{{ shot?.item?.title ?? 'plain card' }}</span>
    </h2>
    <ForWhich :choices="FOR_SCENES" @change="(which) => emit('target', which)" />
    <div v-if="shot?.item" class="frames">
      <figure v-for="{ name, label } in ENDS" :key="name">
        <div
          class="picture"
          :style="pictureSize"
          role="application"
          :aria-label="`What is seen ${label}: drag it, or move it with the arrows`"
          tabindex="0"
          @keydown="nudge($event, name)"
          @pointerdown="drag($event, name)"
          @pointermove="drag($event, name)"
          @pointerup="drop"
          @pointercancel="held = undefined"
        >
          <ItemThumb :id="shot.item.id" /><span class="view" :style="box(viewOf(name))" />
        </div>
        <figcaption>
          <span>{{ label }}</span><KeptSlider
            :value="Math.round(100 / viewOf(name).scale)"
            :min="100"
            :max="400"
            :step="5"
            size="small"
            :aria-label="`How close ${label}, in per cent`"
            :format-tooltip="(value: number) => `${value} %`"
            @keep="(closer) => frame(name, { ...move[name], scale: 100 / closer })"
          />
        </figcaption>
      </figure>
    </div>
    <div class="fields">
      <template v-if="clip">
        <label for="shot-slip">Begins</label>
        <span class="pair"
          ><ElInputNumber
            id="shot-slip"
            :model-value="(shot!.slip ?? 0) / SAMPLE_RATE"
            :min="0"
            :max="3600"
            :step="0.5"
            :precision="2"
            controls-position="right"
            @change="
              (seconds) => adjust({ slip: Math.round((seconds ?? 0) * SAMPLE_RATE) || null })
            "
          />
          s in, <label for="shot-speed">at</label>
          <ElInputNumber
            id="shot-speed"
            :model-value="Math.round((shot!.speed ?? 1) * 100)"
            :min="25"
            :max="400"
            :step="25"
            controls-position="right"
            @change="
              (percent) => adjust({ speed: percent === 100 ? null : (percent ?? 100) / 100 })
            "
          />
          % speed</span
        >
        <label for="shot-heard">Its sound</label>
        <span class="pair heard">
          <ElSelect
            id="shot-heard"
            :model-value="shot!.heard ? 'heard' : 'silent'"
            @change="(how: string) => adjust({ heard: how === 'heard' ? PLAINLY_HEARD : null })"
          >
            <ElOption value="silent" label="silent" /><ElOption value="heard" label="heard" />
          </ElSelect>
          <template v-if="shot!.heard">
            <ElInputNumber
              :model-value="shot!.heard.db"
              :min="-30"
              :max="30"
              :step="2"
              controls-position="right"
              aria-label="Decibels louder or softer than it is by itself"
              @change="(db) => adjust({ heard: { ...shot!.heard!, db: db ?? 0 } })"
            />
            dB, <label for="shot-fade">fades</label>
            <ElInputNumber
              id="shot-fade"
              :model-value="shot!.heard.fade"
              :min="0"
              :max="10"
              :step="0.5"
              controls-position="right"
              @change="(fade) => adjust({ heard: { ...shot!.heard!, fade: fade ?? 0 } })"
            />
            s
          </template>
        </span>
        <template v-if="shot!.heard && hasNoSound">
          <span /><span class="red">This clip has no sound of its own.</span>
        </template>
      </template>
      <label for="shot-fit">Framed</label>
      <ElSelect
        id="shot-fit"
        class="fit"
        :model-value="shot?.fit ?? 'best'"
        @change="(fit: Fit | 'best') => adjust({ fit: fit === 'best' ? null : fit })"
      >
        <ElOption value="best" label="as suits what it shows" /><ElOption
          value="fill"
          label="filling the film"
        /><ElOption value="whole" label="whole, on a ground" />
      </ElSelect>
      <span>Layout</span>
      <LayoutFields
        :key="`${number} ${index}`"
        :layout="shot?.layout"
        :offers="offers"
        @change="(layout) => adjust({ layout })"
      />
      <label for="shot-transition">Comes by</label>
      <TransitionFields
        id="shot-transition"
        :transition="transition"
        @change="(chosen) => adjust({ transition: chosen })"
      />
      <span /><span class="links">
        <button v-if="shot?.frame" class="plain link" @click="adjust({ frame: null })">
          {{ clip ? 'Seen whole' : 'Moves by itself' }}
        </button>
        <button v-if="shot?.transition" class="plain link" @click="adjust({ transition: null })">
          Transition as in the whole film
        </button>
        <button v-if="shot?.transition" class="plain link" @click="everywhere(shot.transition)">
          Everywhere in the film
        </button>
        <button v-if="shot?.transition" class="plain link" @click="inTheStyle(shot.transition)">
          In the house style
        </button>
        <span class="soft" role="status">{{ style.told.value }}</span>
      </span>
    </div>
  </section>
</template>

<style scoped>
.panel {
  padding: 10px 16px;
  display: grid;
  gap: 11px;
  align-content: start;
}
h2 {
  font-size: 17px;
  font-weight: 600;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.name {
  font: 14px var(--sans);
  margin-left: 8px;
}
.frames {
  display: grid;
  grid-template-columns: 176px 176px;
  gap: 24px;
}
figure {
  margin: 0;
}
.picture {
  position: relative;
  overflow: hidden;
  cursor: move;
  touch-action: none;
  background: var(--deep);
}
.picture img {
  width: 100%;
  height: 100%;
  object-fit: cover;
  display: block;
  opacity: 0.55;
}
.view {
  position: absolute;
  border: 2px solid var(--blue);
  pointer-events: none;
  box-shadow: 0 0 0 1px var(--paper);
}
figcaption {
  display: grid;
  grid-template-columns: 62px 1fr;
  align-items: center;
  gap: 12px;
  font-size: 13px;
  padding-right: 8px;
}
.fields {
  display: grid;
  grid-template-columns: 74px 1fr;
  gap: 9px 12px;
  align-items: center;
}
.fit {
  width: 210px;
}
.pair {
  display: flex;
  gap: 10px;
  align-items: center;
  white-space: nowrap;
}
.pair .el-select {
  width: 160px;
}
.el-input-number {
  width: 104px;
}
.heard .el-select {
  width: 88px;
}
.heard .el-input-number {
  width: 74px;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
</style>
