<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import type { SentenceLength } from '@tidy-reel/core/checks/check-script'
import { certain } from '@tidy-reel/core/faults/certain'
import { SCENE_SECONDS_LIMIT } from '@tidy-reel/core/script/parse'

const props = defineProps<{ sentences: readonly SentenceLength[]; at: number }>()
const emit = defineEmits<{ show: [from: number, to: number] }>()
const HIGHEST_SECONDS = 18
const canvas = ref<HTMLCanvasElement>()
const all = computed(() => props.sentences.reduce((sum, { seconds }) => sum + seconds, 0) || 1)
const long = computed(
  () => props.sentences.filter(({ seconds }) => seconds > SCENE_SECONDS_LIMIT).length,
)

/** A bar a sentence: as wide as its share of the film, as high as it is long. */
function draw() {
  const place = canvas.value
  if (!place) return
  const { clientWidth: width, clientHeight: height } = place
  const scale = window.devicePixelRatio
  place.width = width * scale
  place.height = height * scale
  const pen = certain(place.getContext('2d'))
  pen.scale(scale, scale)
  const colour = (name: string) => getComputedStyle(place).getPropertyValue(name)
  const [plain, over, here, hair] = ['--soft', '--red', '--blue', '--hair'].map(colour) as [
    string,
    string,
    string,
    string,
  ]
  const limit = height - (SCENE_SECONDS_LIMIT / HIGHEST_SECONDS) * height
  let x = 0
  for (const { from, to, seconds } of props.sentences) {
    const wide = (seconds / all.value) * width
    const high = Math.max(2, Math.min(1, seconds / HIGHEST_SECONDS) * height)
    const usual = seconds > SCENE_SECONDS_LIMIT ? over : plain
    pen.fillStyle = props.at >= from && props.at <= to ? here : usual
    pen.globalAlpha = pen.fillStyle === plain ? 0.55 : 1
    pen.fillRect(x, height - high, Math.max(0.6, wide - (wide > 3 ? 1 : 0)), high)
    x += wide
  }
  pen.globalAlpha = 1
  pen.fillStyle = hair
  pen.fillRect(0, limit, width, 1)
}
function pick(event: MouseEvent) {
  let left = (event.offsetX / certain(canvas.value).clientWidth) * all.value
  const found = props.sentences.find(({ seconds }) => (left -= seconds) < 0)
  if (found) emit('show', found.from, found.to)
}
onMounted(draw)
useResizeObserver(canvas, draw)
watch(() => [props.sentences, props.at], draw)
</script>

<template>
  <div
    class="strip"
    :title="`A bar a sentence, as high as it is long; the line is ${SCENE_SECONDS_LIMIT} s`"
  >
    <canvas
      ref="canvas"
      role="img"
      :aria-label="`Lengths of ${sentences.length} sentences, ${long} of them over ${SCENE_SECONDS_LIMIT} seconds`"
      @click="pick"
    />
  </div>
</template>

<style scoped>
.strip {
  border-top: 1px solid var(--hair);
  padding: 6px 20px;
  background: var(--ground);
}
canvas {
  width: 100%;
  height: 34px;
  display: block;
  cursor: pointer;
}
</style>
