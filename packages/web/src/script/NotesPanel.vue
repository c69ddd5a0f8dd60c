<script setup lang="ts">
import { ElButton, ElInput } from 'element-plus'
import { computed, ref } from 'vue'
import type { Comment } from '@tidy-reel/core/document/document'
import { cutText } from '@tidy-reel/core/text/well-formed'
import KeptInput from '../controls/KeptInput.vue'

const props = defineProps<{
  notes: string
  comments: readonly Comment[]
  selected: string
  by: string
  script: string
}>()
const emit = defineEmits<{
  notes: [notes: string, base: string]
  put: [comment: Comment]
  remove: [id: string]
  show: [from: number, to: number]
}>()
const LONGEST = 400
const written = ref('')
const open = computed(() =>
  [...props.comments].sort(
    (a, b) =>
      Number(a.done) - Number(b.done) || props.script.indexOf(a.on) - props.script.indexOf(b.on),
  ),
)
const on = computed(() => cutText(props.selected.trim(), LONGEST))
function add() {
  const text = written.value.trim()
  if (!text || !on.value) return
  emit('put', {
    id: crypto.randomUUID().slice(0, 12),
    on: on.value,
    text,
    by: props.by,
    done: false,
  })
  written.value = ''
}
function show({ on: words }: Comment) {
  const from = props.script.indexOf(words)
  if (from >= 0) emit('show', from, from + words.length)
}
</script>

<template>
  <section>
    <h2>Notes on the film</h2>
    <KeptInput
      :lines="{ minRows: 3, maxRows: 12 }"
      :value="notes"
      label="Notes on the film"
      placeholder="What it is about, for whom, what must be in it. Never spoken."
      @keep="(text, base) => emit('notes', text, base)"
    />
  </section>
  <section>
    <h2>
      Comments <span class="soft">{{ comments.filter(({ done }) => !done).length || '' }}</span>
    </h2>
    <form v-if="on" @submit.prevent="add">
      <p class="serif quote">{{ on.length > 90 ? `${on.slice(0, 86)} …` : on }}</p>
      <ElInput
        v-model="written"
        type="textarea"
        :autosize="{ minRows: 2 }"
        aria-label="Comment on the selected words"
        placeholder="What about it?"
        @keydown.ctrl.enter="add"
      />
      <ElButton native-type="submit" :disabled="!written.trim()">Comment</ElButton>
    </form>
    <p v-else class="soft">Select words in the script to comment on them.</p>
    <ul>
      <li v-for="comment in open" :key="comment.id" :class="{ done: comment.done }">
        <button
          class="plain serif quote"
          :title="
            script.includes(comment.on) ? 'Show it' : 'These words are not in the script any more'
          "
          @click="show(comment)"
        >
          {{ comment.on.length > 60 ? `${comment.on.slice(0, 56)} …` : comment.on }}
        </button>
        <p>{{ comment.text }}</p>
        <p class="soft foot">
          <span>{{
            [comment.by, script.includes(comment.on) ? '' : 'words gone'].filter(Boolean).join(', ')
          }}</span>
          <button class="plain link" @click="emit('put', { ...comment, done: !comment.done })">
            {{ comment.done ? 'Open again' : 'Done' }}
          </button>
          <button class="plain link" @click="emit('remove', comment.id)">Remove</button>
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
section + section {
  border-top: 1px solid var(--hair);
  padding-top: 10px;
}
h2 {
  font-weight: 600;
  font-size: 14px;
}
form {
  display: grid;
  gap: 8px;
}
.quote {
  border-left: 2px solid var(--blue);
  padding-left: 8px;
  font-size: 15px;
  line-height: 1.3;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 12px;
}
li {
  display: grid;
  gap: 3px;
  font-size: 14.5px;
}
.done {
  opacity: 0.55;
}
.foot {
  display: flex;
  gap: 12px;
  font-size: 13.5px;
}
.foot span {
  flex: 1;
}
</style>
