<script setup lang="ts">
import { computed, ref } from 'vue'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { Item } from '@tidy-reel/core/pictures/item'
import { jsonAs } from '@tidy-reel/core/text/json'
import { frameAtSample, type FrameRate, sampleAtFrame } from '@tidy-reel/core/time/time'
import { goesOnIn } from '@tidy-reel/core/timeline/pictures'
import type { TimelineScene, TimelineShot } from '@tidy-reel/core/timeline/timeline'
import { TRANSITION_SIGNS, transitionName } from '../controls/transition-words.ts'
import ItemThumb from '../pictures/ItemThumb.vue'

const props = defineProps<{
  scene: TimelineScene
  fps: FrameRate
  selected: boolean
  selectedShot: number
  looked: boolean
}>()
const emit = defineEmits<{
  select: [shot: number]
  cut: [shot: number, word: number]
  drop: [shot: number, item: Item]
  file: [shot: number, file: File]
}>()
/** Frames of the widest strip, in seconds. */
const WIDEST_SECONDS = 12
const STILLS = 4
const strip = ref<HTMLElement>()
/** While a cut is dragged: which one, and where it would fall. */
const dragged = ref<{ index: number; frame: number; word: number }>()
const over = ref(-1)

/**
 * A frame's share of the column, in per cent: the longest scene the parser makes, with its pause,
 * fills it.
 */
const share = computed(() =>
  Math.min(
    (100 * props.fps[1]) / (WIDEST_SECONDS * props.fps[0]),
    100 / Math.max(1, props.scene.endFrame - props.scene.startFrame),
  ),
)
const shots = computed(() =>
  props.scene.shots.map((shot, i) => {
    const { index, frame } = dragged.value ?? { index: -1, frame: 0 }
    const start = index === i ? frame : shot.startFrame
    const end = index === i + 1 ? frame : shot.endFrame
    return {
      ...shot,
      left: (start - props.scene.startFrame) * share.value,
      width: (end - start) * share.value,
    }
  }),
)

/** Which of them is the picture of the scene before; -1 for none. */
const goesOn = computed(() => (goesOnIn(props.scene) ? 0 : -1))
function titleOf({ item, standing }: Pick<TimelineShot, 'item' | 'standing'>, i: number): string {
  const title = item?.title ?? 'No picture'
  if (goesOn.value === i) return `${title}: the picture before goes on (O: show its own)`
  return standing === 'early' ? `${title}: the next scene's picture begins here` : title
}

function grab(event: PointerEvent, index: number) {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  const shot = itemAt(props.scene.shots, index)
  dragged.value = { index, frame: shot.startFrame, word: -1 }
  emit('select', shot.shot)
}
/** The cut follows the pointer from word to word, between its neighbours. */
function drag(event: PointerEvent) {
  if (!dragged.value || !strip.value) return
  const { index } = dragged.value
  const box = strip.value.getBoundingClientRect()
  const frame =
    props.scene.startFrame + (100 * (event.clientX - box.left)) / box.width / share.value
  const sample = sampleAtFrame(Math.round(frame), props.fps)
  const [from, to] = [
    itemAt(props.scene.shots, index - 1).startFrame,
    itemAt(props.scene.shots, index).endFrame,
  ]
  const places = props.scene.words.flatMap(({ start }, word) => {
    const at = frameAtSample(start, props.fps)
    return word > 0 && at > from && at < to
      ? [{ word, frame: at, off: Math.abs(start - sample) }]
      : []
  })
  const nearest = places.reduce<(typeof places)[number] | undefined>(
    (best, place) => (best && best.off <= place.off ? best : place),
    undefined,
  )
  if (nearest) dragged.value = { index, frame: nearest.frame, word: nearest.word }
}
function release() {
  const { index, word } = dragged.value ?? { index: -1, word: -1 }
  dragged.value = undefined
  if (word > 0) emit('cut', itemAt(props.scene.shots, index).shot, word)
}
function dropped(event: DragEvent, shot: number) {
  over.value = -1
  const file = event.dataTransfer?.files[0]
  if (file) return emit('file', Math.max(0, shot), file)
  const item = jsonAs(event.dataTransfer?.getData('application/x-tidy-item') ?? '', Item)
  if (item) emit('drop', Math.max(0, shot), item)
}
const carriesPicture = (event: DragEvent) =>
  event.dataTransfer?.types.some((type) => type === 'application/x-tidy-item' || type === 'Files')
function dragOver(event: DragEvent, index: number) {
  if (!carriesPicture(event)) return
  event.preventDefault()
  over.value = index
}
</script>

<template>
  <div ref="strip" class="strip">
    <button
      v-for="(shot, i) in shots"
      :key="i"
      class="plain frame"
      :class="{
        chosen: selected && shot.standing !== 'early' && Math.max(0, shot.shot) === selectedShot,
        over: over === i,
        on: goesOn === i,
        early: shot.standing === 'early',
      }"
      :style="{ left: `${shot.left}%`, width: `calc(${shot.width}% - 2px)` }"
      tabindex="-1"
      :title="titleOf(shot, i)"
      @click.stop="emit('select', Math.max(0, shot.shot))"
      @dragover="dragOver($event, i)"
      @dragleave="over = -1"
      @drop.prevent.stop="dropped($event, shot.shot)"
    >
      <template v-if="shot.item"
        ><ItemThumb
          v-for="n in STILLS"
          :id="shot.item.id"
          :key="n"
          :alt="n === 1 ? shot.item.title : ''"
      /></template>
      <span v-else class="card serif">{{
        scene.card !== undefined ? 'card' : looked ? 'plain card' : 'no picture yet'
      }}</span>
      <span v-if="goesOn === i" class="mark">goes on</span>
      <span v-else-if="shot.standing === 'early'" class="mark">next</span>
      <span
        v-if="shot.transition"
        class="transition"
        :title="`comes by ${transitionName(shot.transition)}`"
        >{{ TRANSITION_SIGNS[shot.transition.kind] }}</span
      >
    </button>
    <template v-for="(shot, i) in shots" :key="i">
      <span
        v-if="i > 0 && shot.standing !== 'early'"
        class="cut"
        :class="{ held: dragged?.index === i }"
        :style="{ left: `${shot.left}%` }"
        title="Drag the cut to another word"
        @pointerdown.stop.prevent="grab($event, i)"
        @pointermove="drag"
        @pointerup="release"
        @pointercancel="dragged = undefined"
        @click.stop
      />
    </template>
  </div>
</template>

<style scoped>
.strip {
  position: relative;
  height: 62px;
  flex: 1;
  min-width: 0;
}
.frame {
  position: absolute;
  top: 0;
  height: 62px;
  overflow: hidden;
  background: var(--deep);
  display: flex;
  gap: 1px;
  min-width: 4px;
}
.frame img {
  width: 110px;
  height: 62px;
  object-fit: cover;
  display: block;
  flex: none;
}
.chosen {
  outline: 2px solid var(--blue);
  outline-offset: 1px;
  z-index: 1;
}
.over {
  outline: 2px dashed var(--blue);
  outline-offset: 1px;
  z-index: 1;
}
.on img {
  opacity: 0.45;
}
.on::before {
  content: '';
  position: absolute;
  left: 0;
  right: 0;
  top: 0;
  border-top: 3px double var(--ink);
  z-index: 1;
}
.early img {
  opacity: 0.7;
}
.mark {
  position: absolute;
  left: 0;
  bottom: 0;
  max-width: 100%;
  overflow: hidden;
  background: var(--paper);
  color: var(--ink);
  font: italic 12.5px/17px var(--serif);
  padding: 0 6px 1px 4px;
  white-space: nowrap;
}
.card {
  flex: 1;
  display: grid;
  place-items: center;
  height: 100%;
  font-style: italic;
  font-size: 14px;
  color: var(--soft);
  white-space: nowrap;
  overflow: hidden;
}
.transition {
  position: absolute;
  left: 0;
  bottom: 0;
  background: var(--paper);
  color: var(--blue);
  font-size: 10px;
  line-height: 14px;
  width: 14px;
  text-align: center;
}
.cut {
  position: absolute;
  top: -2px;
  bottom: -2px;
  width: 12px;
  margin-left: -7px;
  cursor: col-resize;
  z-index: 2;
  touch-action: none;
}
.cut:hover::after,
.held::after {
  content: '';
  position: absolute;
  left: 5px;
  top: 0;
  bottom: 0;
  width: 2px;
  background: var(--blue);
}
</style>
