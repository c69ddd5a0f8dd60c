<script setup lang="ts">
import { nextTick, onBeforeUnmount, onMounted, ref } from 'vue'
import { certain } from '@tidy-reel/core/faults/certain'

const props = defineProps<{ text: string; label: string; caret: number; placeholder?: string }>()
const emit = defineEmits<{
  /** Every letter typed, so that none can be lost. */
  draft: [text: string]
  /** Writing is over, for this text or for the one before. */
  done: [text: string | null]
  split: [text: string, caret: number]
  mergeBefore: [text: string]
  mergeAfter: [text: string]
  /** The cursor leaves upwards or downwards. */
  leave: [text: string, way: 1 | -1]
  undo: []
}>()
const draft = ref(props.text)
const field = ref<HTMLTextAreaElement>()
let over = false

onMounted(async () => {
  await nextTick()
  const area = certain(field.value)
  fit()
  area.focus({ preventScroll: true })
  const at = Math.min(props.caret, draft.value.length)
  area.setSelectionRange(at, at)
})
onBeforeUnmount(() => finish(draft.value))

function fit() {
  const area = certain(field.value)
  area.style.height = 'auto'
  area.style.height = `${area.scrollHeight}px`
}
function typed() {
  fit()
  emit('draft', draft.value)
}
/** Whatever ends the writing ends it once: leaving the field follows every other way out. */
function once(end: () => void) {
  if (over) return
  over = true
  end()
}
const finish = (text: string | null) => once(() => emit('done', text))

function key(event: KeyboardEvent) {
  const area = certain(field.value)
  const { selectionStart: at, selectionEnd: end } = area
  const [first, last] = [at === 0 && end === 0, at === draft.value.length]
  const plain = !event.ctrlKey && !event.metaKey && !event.altKey && !event.shiftKey
  if (event.isComposing) return
  else if (event.key === 'Escape') finish(null)
  else if (event.key === 'Enter' && plain) once(() => emit('split', draft.value, at))
  else if (event.key === 'Enter') finish(draft.value)
  else if (event.key === 'Backspace' && plain && first) once(() => emit('mergeBefore', draft.value))
  else if (event.key === 'Delete' && plain && last && at === end)
    once(() => emit('mergeAfter', draft.value))
  else if (event.key === 'ArrowUp' && plain && onLine(area, at) === 0)
    once(() => emit('leave', draft.value, -1))
  else if (event.key === 'ArrowDown' && plain && onLine(area, at) >= lines(area) - 1)
    once(() => emit('leave', draft.value, 1))
  else if (
    event.key.toLowerCase() === 'z' &&
    (event.ctrlKey || event.metaKey) &&
    draft.value === props.text
  )
    once(() => emit('undo'))
  else return
  event.preventDefault()
  event.stopPropagation()
}

const lines = (area: HTMLTextAreaElement) =>
  Math.max(1, Math.round(area.clientHeight / Number.parseFloat(getComputedStyle(area).lineHeight)))
/** Which line the cursor is on, judged by how high the text before it stands. */
function onLine(area: HTMLTextAreaElement, at: number): number {
  const copy = area.cloneNode() as HTMLTextAreaElement
  copy.value = draft.value.slice(0, at)
  Object.assign(copy.style, {
    position: 'absolute',
    visibility: 'hidden',
    height: 'auto',
    width: `${area.clientWidth}px`,
  })
  area.after(copy)
  const line =
    Math.round(copy.scrollHeight / Number.parseFloat(getComputedStyle(area).lineHeight)) - 1
  copy.remove()
  return line
}
</script>

<template>
  <textarea
    ref="field"
    v-model="draft"
    rows="1"
    :aria-label="label"
    :placeholder="placeholder"
    spellcheck="true"
    @input="typed"
    @blur="finish(draft)"
    @keydown="key"
    @click.stop
  />
</template>

<style scoped>
textarea {
  width: 100%;
  border: 0;
  padding: 0;
  background: none;
  font: inherit;
  color: inherit;
  resize: none;
  overflow: hidden;
  outline: 0;
  box-shadow: 0 2px 0 var(--blue);
  display: block;
}
</style>
