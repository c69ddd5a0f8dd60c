<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { type Frame, type Rect, within } from '@tidy-reel/core/film/lettering/frame'
import { snapped } from '@tidy-reel/core/film/lettering/snap'
import type { MovableThing, Moved } from './movable.ts'

/** What stands on the picture now, to be dragged elsewhere or moved with the arrows. */
const props = defineProps<{ things: readonly MovableThing[]; frame: Frame }>()
const emit = defineEmits<{ move: [moved: Moved]; press: [] }>()
/** Nearer than this a press is no drag, in pixels of the screen. */
const STILL = 4
/** So long after the last arrow it is put there. */
const REST_MS = 450
const layer = ref<HTMLElement>()
const keyOf = ({ kind, sceneId, index }: MovableThing) => `${kind} ${sceneId} ${index}`
/** On its way: where it is held, until the film shows it there. */
const held = ref<{ key: string; box: Rect; x?: number | undefined; y?: number | undefined }>()
/** Moved by arrows, and not yet put there. */
let nudged: MovableThing | undefined
let begun: { at: [number, number]; thing: MovableThing; isDrag: boolean } | undefined
watch(
  () => props.things.map(({ box }) => `${box.x} ${box.y}`).join(),
  () => begun ?? nudged ?? (held.value = undefined),
)

const boxOf = (thing: MovableThing) =>
  held.value?.key === keyOf(thing) ? held.value.box : thing.box
const percent = (n: number, of: number) => `${(100 * n) / of}%`
const placed = ({ x, y, width, height }: Rect) => ({
  left: percent(x, props.frame.width),
  top: percent(y, props.frame.height),
  width: percent(width, props.frame.width),
  height: percent(height, props.frame.height),
})
const lines = computed(() => ({
  x: held.value?.x === undefined ? undefined : percent(held.value.x, props.frame.width),
  y: held.value?.y === undefined ? undefined : percent(held.value.y, props.frame.height),
}))

function take(event: PointerEvent, thing: MovableThing) {
  if (event.button !== 0) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  begun = { at: [event.clientX, event.clientY], thing, isDrag: false }
}
function drag(event: PointerEvent) {
  if (!begun || !layer.value) return
  const [dx, dy] = [event.clientX - begun.at[0], event.clientY - begun.at[1]]
  if (!begun.isDrag && Math.hypot(dx, dy) < STILL) return
  begun.isDrag = true
  const scale = props.frame.width / layer.value.clientWidth
  const { box } = begun.thing
  const to = { ...box, x: box.x + dx * scale, y: box.y + dy * scale }
  held.value = { key: keyOf(begun.thing), ...snapped(to, props.frame) }
}
function drop() {
  const [was, now] = [begun, held.value]
  begun = undefined
  if (!was) return
  if (!was.isDrag) return emit('press')
  if (!now) return
  held.value = { key: now.key, box: now.box }
  put(was.thing, now.box)
}
function leave() {
  begun = undefined
  held.value = undefined
}

const STEPS = new Map<string, readonly [number, number]>([
  ['ArrowLeft', [-1, 0]],
  ['ArrowRight', [1, 0]],
  ['ArrowUp', [0, -1]],
  ['ArrowDown', [0, 1]],
])
function putNudged() {
  if (nudged && held.value?.key === keyOf(nudged)) put(nudged, held.value.box)
  nudged = undefined
}
const putLater = useDebounceFn(putNudged, REST_MS)
function nudge(event: KeyboardEvent, thing: MovableThing) {
  const way = STEPS.get(event.key)
  if (!way) return
  const [dx, dy] = way
  event.preventDefault()
  event.stopPropagation()
  const step = props.frame.width * (event.shiftKey ? 0.05 : 0.01)
  if (nudged && keyOf(nudged) !== keyOf(thing)) putNudged()
  const box = boxOf(thing)
  const { safe } = props.frame
  held.value = {
    key: keyOf(thing),
    box: {
      ...box,
      x: within(box.x + dx * step, safe.x, safe.x + safe.width - box.width),
      y: within(box.y + dy * step, safe.y, safe.y + safe.height - box.height),
    },
  }
  nudged = thing
  void putLater()
}
const put = ({ kind, sceneId, index }: MovableThing, { x, y, width, height }: Rect) =>
  emit('move', {
    ...{ kind, sceneId, index },
    across: (x + width / 2) / props.frame.width,
    down: (y + height / 2) / props.frame.height,
  })
</script>

<template>
  <div ref="layer" class="things">
    <button
      v-for="thing in things"
      :key="keyOf(thing)"
      class="thing"
      :class="{ held: held?.key === keyOf(thing) }"
      :style="placed(boxOf(thing))"
      :aria-label="`${thing.text}: drag it elsewhere, or move it with the arrows`"
      title="Drag it elsewhere; arrows move it in fine steps"
      @click.stop
      @pointerdown.stop="take($event, thing)"
      @pointermove="drag"
      @pointerup="drop"
      @pointercancel="leave"
      @keydown="nudge($event, thing)"
    />
    <i v-if="lines.x" class="line upright" :style="{ left: lines.x }" />
    <i v-if="lines.y" class="line across" :style="{ top: lines.y }" />
  </div>
</template>

<style scoped>
.things {
  position: absolute;
  inset: 0;
  pointer-events: none;
}
.thing {
  position: absolute;
  pointer-events: auto;
  background: none;
  border: 0;
  padding: 0;
  cursor: move;
  touch-action: none;
}
.thing:hover,
.thing:focus-visible,
.thing.held {
  outline: 2px solid var(--blue);
  box-shadow: 0 0 0 3px #fbf8f0;
}
.line {
  position: absolute;
  background: var(--blue);
}
.upright {
  top: 0;
  bottom: 0;
  width: 1px;
}
.across {
  left: 0;
  right: 0;
  height: 1px;
}
</style>
