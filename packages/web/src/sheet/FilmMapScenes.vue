<script setup lang="ts">
import { useElementSize, useRafFn } from '@vueuse/core'
import { onMounted, ref, watch } from 'vue'
import type { Flag } from '@tidy-reel/core/checks/flags'
import type { TakeFacts, Timeline } from '@tidy-reel/core/timeline/timeline'
import { stillShelf } from '../monitor/picture-source.ts'

/**
 * What of the map stays while the player and the cursor move: one drawing, whatever the number of
 * scenes.
 */
const props = defineProps<{
  film: Timeline
  flags: ReadonlyMap<string, readonly Flag[]>
  takes: Readonly<Record<string, TakeFacts>>
}>()
/** From the top, in pixels: flags, pictures, voice. */
const LAYOUT = { flags: 0, pictures: 4, height: 28, voice: 34, voiceHeight: 10, all: 44 }
/** Pictures narrower than this would show nothing. */
const NARROWEST = 5
const canvas = ref<HTMLCanvasElement>()
const { width } = useElementSize(canvas)
const thumbs = stillShelf(
  () => false,
  () => soon.resume(),
  { kept: Infinity },
)
const soon = useRafFn(
  () => {
    soon.pause()
    draw()
  },
  { immediate: false },
)
watch([() => props.film, () => props.flags, () => props.takes, width], () => soon.resume())
onMounted(() => soon.resume())

function draw() {
  const element = canvas.value
  const context = element?.getContext('2d')
  if (!element || !context || !width.value) return
  element.width = Math.round(width.value * devicePixelRatio)
  element.height = LAYOUT.all * devicePixelRatio
  context.scale(devicePixelRatio, devicePixelRatio)
  const style = getComputedStyle(element)
  const colour = (name: string) => style.getPropertyValue(`--${name}`)
  const [ground, soft, red] = [colour('ground'), colour('soft'), colour('red')]
  const x = (sample: number) => (width.value * sample) / Math.max(1, props.film.samples)
  for (const scene of props.film.scenes) {
    const [left, right] = [x(scene.startSample), x(scene.endSample)]
    const item = scene.shots[0]?.item
    const thumb = item && right - left > NARROWEST ? thumbs.get(item.id)?.image : undefined
    if (thumb) cover(context, thumb, left, LAYOUT.pictures, right - left, LAYOUT.height)
    context.fillStyle = ground
    context.fillRect(right - 1, LAYOUT.pictures, 1, LAYOUT.height)
    context.fillStyle = context.strokeStyle = soft
    drawVoice(
      context,
      x(scene.speechStart),
      x(scene.speechEnd),
      props.takes[scene.id]?.levels,
      scene.text !== '',
    )
    if (!props.flags.has(scene.id)) continue
    context.fillStyle = red
    context.beginPath()
    context.moveTo(left, LAYOUT.flags)
    context.lineTo(left + 8, LAYOUT.flags)
    context.lineTo(left, LAYOUT.flags + 8)
    context.fill()
  }
}

/** The level of a voice, a column a pixel; an empty box where nobody has spoken yet. */
function drawVoice(
  context: CanvasRenderingContext2D,
  left: number,
  right: number,
  levels: string | undefined,
  text: boolean,
) {
  const middle = LAYOUT.voice + LAYOUT.voiceHeight / 2
  if (!levels) {
    if (text) context.strokeRect(left + 0.5, middle - 1.5, Math.max(1, right - left - 1), 3)
    return
  }
  for (let at = Math.floor(left); at < right; at++) {
    const [from, to] = [at, at + 1].map((edge) =>
      Math.min(levels.length, Math.max(0, ((edge - left) / (right - left)) * levels.length)),
    )
    const part = [
      ...levels.slice(Math.floor(from!), Math.max(Math.floor(from!) + 1, Math.ceil(to!))),
    ]
    const height = Math.max(
      1,
      (part.reduce((sum, digit) => sum + Number(digit), 0) / part.length / 9) * LAYOUT.voiceHeight,
    )
    context.fillRect(at, middle - height / 2, 1, height)
  }
}

/** A picture filling a box, its middle seen. */
function cover(
  context: CanvasRenderingContext2D,
  image: HTMLImageElement,
  left: number,
  top: number,
  w: number,
  h: number,
) {
  const scale = Math.max(w / image.naturalWidth, h / image.naturalHeight)
  const [sw, sh] = [w / scale, h / scale]
  context.drawImage(
    image,
    (image.naturalWidth - sw) / 2,
    (image.naturalHeight - sh) / 2,
    sw,
    sh,
    left,
    top,
    w,
    h,
  )
}
</script>

<template>
  <canvas ref="canvas" aria-hidden="true" />
</template>

<style scoped>
canvas {
  position: absolute;
  left: 0;
  top: -4px;
  width: 100%;
  height: 44px;
  pointer-events: none;
}
</style>
