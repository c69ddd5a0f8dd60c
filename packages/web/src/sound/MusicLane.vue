<script setup lang="ts">
import { computed, ref } from 'vue'
import { type CurvePoint, fadeOf, onCurve } from '@tidy-reel/core/film/sound/mix'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { sceneIndexAt } from '@tidy-reel/core/timeline/timeline'
import type { FilmSound } from '../monitor/film-sound.ts'

/**
 * The music of the whole film: what plays, its bars and joins, and where it steps aside; drawn up or
 * down, it is louder or softer under that scene.
 */
const props = defineProps<{
  film: Timeline
  parts: NonNullable<FilmSound['bed']>['parts']
  curve: readonly CurvePoint[]
  /** Where the music lies under a voice, in decibels of gain: the foot of its rise. */
  foot: number
}>()
const emit = defineEmits<{ level: [sceneId: string, by: number] }>()
const COLUMNS = 1200
const HEIGHT = 28
/** Decibels of rise that fill the lane. */
const RANGE_DB = 18
/** Bars nearer to each other than this share of the film are not drawn one by one. */
const NEAREST_BARS = 1 / 160
const root = ref<HTMLElement>()
const drawn = ref<{ from: number; to: number; by: number; sceneId: string }>()

const place = (sample: number) => (COLUMNS * sample) / props.film.samples
const share = (sample: number) => `${(100 * sample) / props.film.samples}%`
const heightAt = (at: number) => {
  const { db } = onCurve(props.curve, at)
  const fade = 20 * Math.log10(fadeOf(props.film.samples, at) + 1e-6)
  const isDrawn = drawn.value && at >= drawn.value.from && at < drawn.value.to
  const level = db + fade + (isDrawn ? drawn.value!.by : 0) - props.foot
  return HEIGHT * (1 - Math.min(1, Math.max(0, (level + RANGE_DB / 3) / RANGE_DB)))
}
const silent = (at: number) => !props.parts.some(({ from, to }) => at >= from && at < to)
const music = computed(() => {
  if (!props.curve.length) return ''
  const points = Array.from({ length: COLUMNS }, (_, x) => {
    const at = (x * props.film.samples) / COLUMNS
    return `L${x} ${(silent(at) ? HEIGHT : heightAt(at)).toFixed(1)}`
  })
  return `M0 ${HEIGHT}${points.join('')}V${HEIGHT}Z`
})
/** Every bar, or every so many where they would be one line. */
const bars = computed(() =>
  props.parts
    .flatMap(({ bars: all }) => {
      const near = ((all[1] ?? 0) - (all[0] ?? 0)) / props.film.samples
      const every = 2 ** Math.max(0, Math.ceil(Math.log2(NEAREST_BARS / Math.max(1e-6, near))))
      return all.filter((_, i) => i % every === 0)
    })
    .map((at) => `M${place(at).toFixed(1)} ${HEIGHT}v-4`)
    .join(''),
)
const joins = computed(() =>
  props.parts
    .flatMap(({ joins: places = [] }) => places)
    .map((at) => `M${place(at).toFixed(1)} 0v${HEIGHT}`)
    .join(''),
)
const names = computed(() =>
  props.parts.map(({ from, to, mood, title }) => ({
    from,
    name: title ?? mood ?? '',
    style: { left: share(from), maxWidth: share(to - from) },
  })),
)
/** Pixels a trembling hand moves. */
const STILL_PX = 4

function grab(event: PointerEvent) {
  const box = root.value?.getBoundingClientRect()
  if (!box || !props.curve.length) return
  const at = ((event.clientX - box.left) / box.width) * props.film.samples
  const scene = props.film.scenes[sceneIndexAt(props.film, at)]
  if (!scene || silent(at) || scene.card !== undefined) return
  const top = event.clientY
  const drag = (moved: PointerEvent) => {
    const by = Math.round(((top - moved.clientY) / HEIGHT) * RANGE_DB)
    const { startSample: from, endSample: to, id: sceneId } = scene
    drawn.value =
      Math.abs(top - moved.clientY) < STILL_PX && !drawn.value
        ? undefined
        : { from, to, by, sceneId }
  }
  const drop = () => {
    window.removeEventListener('pointermove', drag)
    const done = drawn.value
    drawn.value = undefined
    if (done?.by) emit('level', done.sceneId, done.by)
  }
  window.addEventListener('pointermove', drag)
  window.addEventListener('pointerup', drop, { once: true })
}
</script>

<template>
  <div ref="root" class="lane" title="Draw the music up or down under a scene" @pointerdown="grab">
    <svg :viewBox="`0 0 ${COLUMNS} ${HEIGHT}`" preserveAspectRatio="none">
      <path :d="music" class="level" />
      <path :d="bars" class="bars" />
      <path :d="joins" class="joins" />
    </svg>
    <span v-for="{ from, name, style } in names" :key="from" class="name" :style>{{ name }}</span>
    <span v-if="drawn" class="by mono" :style="{ left: share(drawn.from) }"
      >{{ drawn.by > 0 ? '+' : '' }}{{ drawn.by }} dB</span
    >
  </div>
</template>

<style scoped>
.lane {
  position: absolute;
  left: 0;
  right: 0;
  top: 48px;
  height: 28px;
  cursor: ns-resize;
  touch-action: none;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.level {
  fill: var(--soft);
  opacity: 0.55;
}
.bars,
.joins {
  stroke: var(--ink);
  stroke-width: 1;
  opacity: 0.5;
  vector-effect: non-scaling-stroke;
}
.joins {
  stroke: var(--blue);
  stroke-width: 2;
  opacity: 1;
}
.name {
  position: absolute;
  top: 0;
  padding: 0 4px;
  font-size: 11.5px;
  line-height: 14px;
  color: var(--ink);
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  pointer-events: none;
}
.by {
  position: absolute;
  top: -16px;
  padding: 0 4px;
  font-size: 12px;
  background: var(--paper);
  pointer-events: none;
}
</style>
