<script setup lang="ts">
import { Play, Volume2 } from 'lucide-vue-next'
import { computed, nextTick, ref } from 'vue'
import type { Shot } from '@tidy-reel/core/document/document'
import type { Direction } from '@tidy-reel/core/script/parse'
import type { TimelineScene } from '@tidy-reel/core/timeline/timeline'
import type { SearchWord } from '@tidy-reel/core/words/search-words'
import { thumbnail } from '../api.ts'
import { marked } from './marked.ts'

const props = defineProps<{ number: number; scene: TimelineScene; shots: readonly Shot[]; words: readonly SearchWord[]; directions: readonly Direction[]; spoken: boolean; selected: boolean; selectedShot: number; playing: boolean }>()
const emit = defineEmits<{ select: [shot: number]; play: []; edit: [text: string] }>()
/** Frames of the widest strip: 12 s. */
const WIDEST_FRAMES = 360
/** Still frames in a strip, as many as the widest can hold. */
const frames = 4
/** Lighter words are looked for too, but underlining them would underline everything. */
const MARKED = 0.25
const editing = ref(false)
const draft = ref('')
const field = ref<HTMLTextAreaElement>()
const seconds = computed(() => (props.scene.endSample - props.scene.startSample) / 48_000)
const start = computed(() => {
  const tenths = Math.floor(props.scene.startSample / 4800)
  return `${Math.floor(tenths / 600)}:${String(Math.floor(tenths / 10) % 60).padStart(2, '0')}.${tenths % 10}`
})
const pieces = computed(() => marked(props.scene.text, props.words.filter(({ weight }) => weight > MARKED)))
/** A frame's share of the column, in per cent: the longest scene the parser makes, with its pause, fills it. */
const share = computed(() => Math.min(100 / WIDEST_FRAMES, 100 / Math.max(1, props.scene.endFrame - props.scene.startFrame)))
const notes = computed(() => props.directions.map((d) => (d.kind === 'pause' ? `pause: ${d.seconds} s` : `${d.kind}: ${d.text}${d.kind === 'sound' ? ' (noted; sounds are not mixed in yet)' : ''}`)))

function begin() {
  emit('select', 0)
  draft.value = props.scene.text
  editing.value = true
  void nextTick(() => {
    field.value?.focus()
    fit()
  })
}
function fit() {
  if (!field.value) return
  field.value.style.height = 'auto'
  field.value.style.height = `${field.value.scrollHeight}px`
}
function finish(keep: boolean) {
  if (!editing.value) return
  editing.value = false
  if (keep && draft.value.trim() !== props.scene.text) emit('edit', draft.value)
}
</script>

<template>
  <article :class="{ selected, playing }" :aria-current="selected" :aria-label="`Scene ${number}`" @click="$emit('select', 0)">
    <div class="margin">
      <span class="number">{{ number }}</span>
      <span class="mono">{{ start }}</span>
      <button class="plain play" :aria-label="`Play scene ${number}`" :title="spoken ? 'Play this scene' : 'Not spoken yet'" :disabled="!spoken" @click.stop="$emit('play')">
        <Volume2 v-if="playing" :size="15" :stroke-width="1.6" /><Play v-else :size="15" :stroke-width="1.6" />
      </button>
    </div>
    <div class="narration serif">
      <textarea v-if="editing" ref="field" v-model="draft" rows="1" :aria-label="`Narration of scene ${number}`" @input="fit" @blur="finish(true)" @keydown.enter.prevent="finish(true)" @keydown.esc="finish(false)" @click.stop />
      <p v-else title="Click to edit" tabindex="0" @click.stop="begin" @keydown.enter.prevent="begin"><template v-for="(piece, i) in pieces" :key="i"><u v-if="piece.mark">{{ piece.text }}</u><template v-else>{{ piece.text }}</template></template></p>
      <span v-for="note in notes" :key="note" class="note">{{ note }}</span>
    </div>
    <div class="strip">
      <button v-for="(shot, i) in scene.shots" :key="i" class="plain frame" :class="{ chosen: selected && i === selectedShot }" :style="{ width: `${(shot.endFrame - shot.startFrame) * share}%` }" :title="shot.item?.title ?? 'No picture yet'" @click.stop="$emit('select', i)">
        <template v-if="shot.item"><img v-for="n in frames" :key="n" :src="thumbnail(shot.item.id)" :alt="n === 1 ? shot.item.title : ''" loading="lazy" /></template>
        <span v-else class="card serif">{{ shots.length ? 'plain card' : 'no picture yet' }}</span>
      </button>
      <span class="length">{{ seconds.toFixed(1) }}<span class="hidden"> seconds</span></span>
    </div>
  </article>
</template>

<style scoped>
article { display: grid; grid-template-columns: 64px minmax(0, 1fr) 352px; gap: 20px; padding: 8px 20px 8px 0; border-bottom: 1px solid var(--hair); border-left: 3px solid transparent; content-visibility: auto; contain-intrinsic-size: auto 80px; }
.selected { background: var(--wash); border-left-color: var(--blue); }
.margin { display: flex; flex-direction: column; align-items: flex-end; gap: 2px; padding-top: 3px; }
.number { font-weight: 600; font-size: 13.5px; }
.play { color: var(--soft); padding: 3px; opacity: 0; }
article:hover .play, .selected .play, .play:focus-visible { opacity: 1; }
.selected .play:disabled, article:hover .play:disabled { opacity: 0.35; cursor: default; }
.narration { font-size: 17px; line-height: 1.36; }
.narration p { cursor: text; }
u { text-decoration-color: var(--blue); text-decoration-thickness: 1px; text-underline-offset: 3px; }
textarea { width: 100%; border: 0; padding: 0; background: none; font: inherit; color: inherit; resize: none; overflow: hidden; outline: 0; box-shadow: 0 2px 0 var(--blue); display: block; }
.note { display: inline-block; font: 12.5px var(--sans); color: var(--soft); border-left: 2px solid var(--blue); padding-left: 6px; margin: 4px 12px 0 0; }
.strip { display: flex; gap: 2px; height: 62px; align-self: start; }
.frame { flex: none; height: 62px; overflow: hidden; background: var(--deep); display: flex; gap: 1px; min-width: 34px; }
.frame img { width: 110px; height: 62px; object-fit: cover; display: block; flex: none; }
.chosen { outline: 2px solid var(--blue); outline-offset: 1px; z-index: 1; }
.card { flex: 1; display: grid; place-items: center; height: 100%; font-style: italic; font-size: 14px; color: var(--soft); }
.length { align-self: end; margin-left: 6px; font: 12px var(--mono); color: var(--soft); }
</style>
