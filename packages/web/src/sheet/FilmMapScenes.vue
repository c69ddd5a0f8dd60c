<script setup lang="ts">
import { useElementSize, useRafFn } from '@vueuse/core'
import { onMounted, ref, watch } from 'vue'
import type { Flag } from '@tidy-reel/core/sheet/flags'
import type { Timeline } from '@tidy-reel/core/timeline/timeline'
import { stillShelf } from '../monitor/picture-source.ts'

/** What of the map stays while the player and the cursor move: one drawing, whatever the number of scenes. */
const props = defineProps<{ film: Timeline; flags: ReadonlyMap<string, readonly Flag[]>; takes: Readonly<Record<string, unknown>> }>()
/** From the top, in pixels: flags, pictures, voice. */
const LAYOUT = { flags: 0, pictures: 4, height: 31, voice: 38, voiceHeight: 4, all: 44 }
/** Pictures narrower than this would show nothing. */
const NARROWEST = 5
const canvas = ref<HTMLCanvasElement>()
const { width } = useElementSize(canvas)
const thumbs = stillShelf(() => false, () => soon.resume(), Infinity)
const soon = useRafFn(() => {
  soon.pause()
  draw()
}, { immediate: false })
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
    const speech = [x(scene.speechStart), LAYOUT.voice, Math.max(1, x(scene.speechEnd) - x(scene.speechStart)), LAYOUT.voiceHeight] as const
    context.fillStyle = context.strokeStyle = soft
    if (props.takes[scene.id]) context.fillRect(...speech)
    else if (scene.text) context.strokeRect(speech[0] + 0.5, speech[1] + 0.5, Math.max(1, speech[2] - 1), speech[3] - 1)
    if (!props.flags.has(scene.id)) continue
    context.fillStyle = red
    context.beginPath()
    context.moveTo(left, LAYOUT.flags)
    context.lineTo(left + 8, LAYOUT.flags)
    context.lineTo(left, LAYOUT.flags + 8)
    context.fill()
  }
}

/** A picture filling a box, its middle seen. */
function cover(context: CanvasRenderingContext2D, image: HTMLImageElement, left: number, top: number, w: number, h: number) {
  const scale = Math.max(w / image.naturalWidth, h / image.naturalHeight)
  const [sw, sh] = [w / scale, h / scale]
  context.drawImage(image, (image.naturalWidth - sw) / 2, (image.naturalHeight - sh) / 2, sw, sh, left, top, w, h)
}
</script>

<template>
  <canvas ref="canvas" aria-hidden="true" />
</template>

<style scoped>
canvas { position: absolute; left: 0; top: -4px; width: 100%; height: 44px; pointer-events: none; }
</style>
