<script setup lang="ts">
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import { grading } from '@tidy-reel/core/pictures/grade/colour'
import { type Grade, GRADE_LOOKS, type GradeLook } from '@tidy-reel/core/pictures/grade/grade'
import { stillShelf } from '../monitor/picture-source.ts'
import { LOOK_WORDS } from './grade-words.ts'

/** The looks, each over the picture it would change. */
const props = defineProps<{
  /** Id of the picture; none on a card. */
  picture: string | undefined
  chosen: Grade['look']
  /** The film's own, where a picture may go without one of its own. */
  film?: Grade
}>()
const emit = defineEmits<{ choose: [look: GradeLook | 'none' | null] }>()
/** The last ones are without a look: as the film has it, or none. */
const choices = computed(() => [
  ...GRADE_LOOKS.map((look) => ({ look, label: LOOK_WORDS[look], grade: { look } as Grade })),
  ...(props.film ? [{ look: null, label: 'As the film', grade: props.film }] : []),
  { look: props.film ? ('none' as const) : null, label: 'None', grade: {} },
])
const WIDTH = 96
const HEIGHT = 54
const canvases = useTemplateRef<HTMLCanvasElement[]>('canvases')
/** The thumbnail is enough: nothing larger is ready for it. */
const shelf = stillShelf(
  () => false,
  () => draw(),
)
const isCome = ref(false)
watch([choices, () => props.picture], () => draw(), { flush: 'post' })
onMounted(() => draw())

function draw() {
  const image = props.picture ? shelf.get(props.picture)?.image : undefined
  isCome.value = !!image
  if (!image) return
  choices.value.forEach(({ grade }, i) => {
    const context = canvases.value?.[i]?.getContext('2d', { alpha: false })
    if (!context) return
    const scale = Math.max(WIDTH / image.naturalWidth, HEIGHT / image.naturalHeight)
    const [width, height] = [image.naturalWidth * scale, image.naturalHeight * scale]
    context.drawImage(image, (WIDTH - width) / 2, (HEIGHT - height) / 2, width, height)
    const pixels = context.getImageData(0, 0, WIDTH, HEIGHT)
    const graded = grading(grade)
    for (let at = 0; at < pixels.data.length; at += 4) {
      const [r, g, b] = [pixels.data[at]!, pixels.data[at + 1]!, pixels.data[at + 2]!]
      graded([r / 255, g / 255, b / 255]).forEach((v, c) => (pixels.data[at + c] = 255 * v))
    }
    context.putImageData(pixels, 0, 0)
  })
}
</script>

<template>
  <div class="looks" role="radiogroup" aria-label="Look">
    <button
      v-for="{ look, label } in choices"
      :key="label"
      class="plain"
      role="radio"
      :aria-checked="chosen === (look ?? undefined)"
      @click="emit('choose', look)"
    >
      <canvas
        ref="canvases"
        :width="WIDTH"
        :height="HEIGHT"
        :class="{ blank: !isCome }"
        aria-hidden="true"
      />
      {{ label }}
    </button>
  </div>
</template>

<style scoped>
.looks {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 6px 3px;
}
button {
  display: grid;
  gap: 2px;
  font-size: 12.5px;
  line-height: 1.2;
  white-space: nowrap;
  text-align: left;
  padding: 2px;
  border: 2px solid transparent;
}
button[aria-checked='true'] {
  border-color: var(--blue);
  font-weight: 600;
}
canvas {
  width: 100%;
  aspect-ratio: 16 / 9;
  display: block;
  background: var(--deep);
}
.blank {
  opacity: 0.4;
}
</style>
