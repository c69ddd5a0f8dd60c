<script setup lang="ts">
import { computed, ref } from 'vue'
import { BY_ITSELF, isAsked, type SoundCue } from '@tidy-reel/core/film/sound/effects/sound-cue'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'

/** The sounds of the film as blocks with their words: dragged, or moved by arrows, to other words. */
const props = defineProps<{ film: Timeline; cues: readonly SoundCue[]; selected: string }>()
const emit = defineEmits<{
  select: [sceneId: string]
  move: [cue: SoundCue, to: { sceneId: string; word: number }]
  remove: [cue: SoundCue]
}>()
/** Rows they are laid in where they are heard together. */
const ROWS = 2
const ROW_PX = 17
const root = ref<HTMLElement>()
const dragged = ref<{ key: string; by: number }>()

const keyOf = (cue: SoundCue) =>
  isAsked(cue) ? `${cue.sceneId} ${cue.index}` : `${cue.sceneId} clip ${cue.start}`
const titleOf = (cue: SoundCue) =>
  isAsked(cue)
    ? `${cue.sound.title}: drag it to another word, or use the arrows; Delete takes it out`
    : `The sound of “${cue.sound.title}”; it goes with its picture`
const blocks = computed(() => {
  const ends = Array.from({ length: ROWS }, () => 0)
  return props.cues
    .filter(({ index }) => index !== BY_ITSELF)
    .map((cue) => {
      const free = ends.findIndex((end) => end <= cue.start)
      const row = free < 0 ? ROWS - 1 : free
      ends[row] = cue.end
      const share = (samples: number) => (100 * samples) / props.film.samples
      return {
        cue,
        key: keyOf(cue),
        row,
        left: share(cue.start),
        width: share(cue.end - cue.start),
      }
    })
})

/** All words of the film that a sound can begin with, in order. */
const places = computed(() =>
  props.film.scenes
    .filter(({ card }) => card === undefined)
    .flatMap(({ id, words, startSample }) =>
      words.map(({ start }, word) => ({
        sceneId: id,
        word,
        start: word === 0 ? startSample : start,
      })),
    ),
)
const nearest = (sample: number) =>
  places.value.reduce<{ at: number; off: number }>(
    (best, { start }, at) => {
      const off = Math.abs(start - sample)
      return off < best.off ? { at, off } : best
    },
    { at: -1, off: Infinity },
  ).at

function step(cue: SoundCue, by: number) {
  if (!isAsked(cue)) return
  const place = places.value[nearest(cue.start) + by]
  if (place) emit('move', cue, { sceneId: place.sceneId, word: place.word })
}
function grab(event: PointerEvent, cue: SoundCue) {
  if (!isAsked(cue)) return emit('select', cue.sceneId)
  const from = event.clientX
  const button = event.currentTarget as HTMLElement
  const width = root.value?.getBoundingClientRect().width ?? 1
  button.setPointerCapture(event.pointerId)
  const drag = (moved: PointerEvent) =>
    (dragged.value = { key: keyOf(cue), by: moved.clientX - from })
  const drop = () => {
    button.removeEventListener('pointermove', drag)
    const by = dragged.value?.by ?? 0
    dragged.value = undefined
    // A click that trembles moves nothing.
    if (Math.abs(by) < 4) return emit('select', cue.sceneId)
    const place = places.value[nearest(cue.start + (by / width) * props.film.samples)]
    if (place) emit('move', cue, { sceneId: place.sceneId, word: place.word })
  }
  button.addEventListener('pointermove', drag)
  button.addEventListener('pointerup', drop, { once: true })
}
const shift = (key: string) => (dragged.value?.key === key ? dragged.value.by : 0)
</script>

<template>
  <div ref="root" class="cues" role="group" aria-label="Sounds of the film">
    <button
      v-for="{ cue, key, row, left, width } in blocks"
      :key
      class="plain cue"
      :class="{ on: cue.sceneId === selected, once: !cue.sound.goesOn, fixed: !isAsked(cue) }"
      :style="{
        left: `${left}%`,
        width: `${width}%`,
        top: `${row * ROW_PX}px`,
        transform: `translateX(${shift(key)}px)`,
      }"
      :title="titleOf(cue)"
      @pointerdown.stop="grab($event, cue)"
      @keydown.left.prevent.stop="step(cue, -1)"
      @keydown.right.prevent.stop="step(cue, 1)"
      @keydown.delete.prevent.stop="isAsked(cue) && emit('remove', cue)"
      @keydown.enter.prevent.stop="emit('select', cue.sceneId)"
    >
      {{ cue.asked.words }}
    </button>
  </div>
</template>

<style scoped>
.cues {
  position: absolute;
  left: 0;
  right: 0;
  top: 78px;
  height: 33px;
}
.cue {
  position: absolute;
  height: 15px;
  min-width: 6px;
  padding: 0 4px;
  border-left: 2px solid var(--blue);
  background: var(--paper);
  color: var(--ink);
  font-size: 11.5px;
  line-height: 15px;
  text-align: left;
  overflow: hidden;
  white-space: nowrap;
  cursor: grab;
  touch-action: none;
}
.cue.once {
  overflow: visible;
  background: none;
}
.cue.fixed {
  border-left-style: dotted;
  cursor: pointer;
}
.cue:focus-visible,
.cue.on {
  background: var(--blue);
  color: var(--on-ink);
  z-index: 1;
}
</style>
