<script setup lang="ts">
import { ElInput } from 'element-plus'
import { computed, ref, watch } from 'vue'
import type { Shot } from '@tidy-reel/core/document/document'
import type { Item } from '@tidy-reel/core/match/item'
import type { Pick as Candidate } from '@tidy-reel/core/match/pick'
import type { SearchWord } from '@tidy-reel/core/words/search-words'
import { api } from '../api.ts'
import ItemThumb from '../ItemThumb.vue'

const props = defineProps<{ number: number; shot: number; shots: readonly Shot[]; candidates: readonly Candidate[]; words: readonly SearchWord[] }>()
const emit = defineEmits<{ choose: [item: Item]; shot: [index: number] }>()
const field = ref<InstanceType<typeof ElInput>>()
const asked = ref('')
const found = ref<Item[]>()
const problem = ref('')
/** Another scene is looked at: what was searched for the one before is over. */
watch(() => props.number, () => {
  asked.value = problem.value = ''
  found.value = undefined
})
const chosen = computed(() => props.shots[props.shot]?.item?.id)
const shown = computed(() => (found.value ? found.value.slice(0, 12).map((item) => ({ item, why: item.author })) : props.candidates.slice(0, 4)))
const ORDINAL = ['first', 'second', 'third', 'fourth']

async function search(words = asked.value) {
  asked.value = words
  problem.value = ''
  if (!words.trim()) return (found.value = undefined)
  try {
    found.value = await api.searchStock(words)
  } catch (cause) {
    found.value = undefined
    problem.value = (cause as Error).message
  }
}
function choose(item: Item) {
  emit('choose', item)
}
/** Looks for words, or waits for them in the field. */
function look(words?: string) {
  if (words) return search(words)
  field.value?.focus()
}
function lift(event: DragEvent, item: Item) {
  event.dataTransfer!.setData('application/x-tidy-item', JSON.stringify(item))
  event.dataTransfer!.effectAllowed = 'copy'
}
defineExpose({ look })
</script>

<template>
  <section class="panel" aria-label="Pictures for this scene">
    <header>
      <h2 class="serif">Scene {{ number }}<template v-if="shots.length > 1">, {{ ORDINAL[shot] }} picture</template></h2>
      <span v-if="shots.length > 1" class="shots"><button v-for="(_, i) in shots" :key="i" class="plain" :class="{ on: i === shot }" :aria-label="`Picture ${i + 1}`" @click="emit('shot', i)">{{ i + 1 }}</button></span>
      <span class="words"><button v-for="word in words.slice(0, 5)" :key="word.text" class="plain word" :title="`Look for ${word.text}`" @click="search(word.text)">{{ word.text }}</button></span>
    </header>
    <form @submit.prevent="search()"><ElInput ref="field" v-model="asked" clearable placeholder="Search all pictures, then Enter" aria-label="Search pictures" @clear="found = undefined" /></form>
    <p v-if="problem" class="red" role="alert">{{ problem }}</p>
    <p v-else-if="!shown.length" class="soft">{{ found ? `Nothing for “${asked}”. Try a plainer word.` : 'Pictures will be here when they have been looked for.' }}</p>
    <ul>
      <li v-for="({ item, why }, i) in shown" :key="item.id">
        <button class="plain pick" draggable="true" :title="`${item.title}: choose it, or drag it onto a picture`" :aria-pressed="item.id === chosen" @dragstart="lift($event, item)" @click="choose(item)">
          <ItemThumb :id="item.id" />
          <span v-if="!found" class="key">{{ i + 1 }}</span>
          <span class="name">{{ item.title }}</span>
          <span class="soft why">{{ why }}</span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.panel { padding: 10px 16px 8px; display: grid; gap: 8px; align-content: start; }
header { display: flex; gap: 16px; align-items: baseline; }
h2 { font-size: 17px; font-weight: 600; white-space: nowrap; }
.shots { display: flex; gap: 10px; }
.shots button { padding: 0 6px; font: 13px var(--mono); }
.on { box-shadow: 0 2px 0 var(--blue); }
.words { flex: 1; display: flex; flex-wrap: wrap; justify-content: flex-end; gap: 4px 12px; height: 21px; overflow: hidden; }
.word { border-bottom: 1px solid var(--blue); line-height: 1.25; white-space: nowrap; }
ul { list-style: none; margin: 0; padding: 0; display: grid; grid-template-columns: 1fr 1fr; gap: 8px 12px; }
.pick { display: grid; width: 100%; position: relative; }
.pick img { width: 100%; aspect-ratio: 16 / 6.1; object-fit: cover; display: block; background: var(--deep); }
.pick[aria-pressed='true'] img { outline: 2px solid var(--blue); outline-offset: 1px; }
.key { position: absolute; left: 0; top: 0; background: var(--paper); color: var(--ink); font: 12px/20px var(--mono); width: 20px; text-align: center; }
.name { font-size: 14px; line-height: 1.25; margin-top: 4px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
.why { font-size: 12.5px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
</style>
