<script setup lang="ts">
import { ElButton, ElInput, ElSegmented } from 'element-plus'
import { computed, ref } from 'vue'
import { hasSounds } from '@tidy-reel/core/speech/ipa'
import type { Pronunciation } from '@tidy-reel/core/text/pronunciation'
import PlayButton from './PlayButton.vue'

const props = defineProps<{
  episode: readonly Pronunciation[]
  channel: readonly Pronunciation[]
  saying: string
  heard: string
}>()
const emit = defineEmits<{
  change: [where: 'episode' | 'channel', list: Pronunciation[]]
  hear: [key: string, entry: Pronunciation]
}>()
const WHERE = [
  { label: 'this episode', value: 'episode' as const },
  { label: 'the channel', value: 'channel' as const },
]
const where = ref<'episode' | 'channel'>('episode')
const word = ref('')
const say = ref('')
const list = computed(() => [...props[where.value]].sort((a, b) => a.word.localeCompare(b.word)))
const problem = computed(() => {
  const sounds = /^\/(.*)\/$/.exec(say.value.trim())
  return sounds && !hasSounds(sounds[1]!)
    ? 'No sound is known in that. IPA looks like /ˈtaɪdi/.'
    : ''
})
const entry = computed(() => ({ word: word.value.trim(), say: say.value.trim() }))
const ready = computed(() => entry.value.word && entry.value.say && !problem.value)
function add() {
  if (!ready.value) return
  emit('change', where.value, [
    ...props[where.value].filter((known) => known.word !== entry.value.word),
    entry.value,
  ])
  word.value = say.value = ''
}
</script>

<template>
  <section aria-label="Pronunciations">
    <h2 class="serif">Pronunciations</h2>
    <ElSegmented v-model="where" :options="WHERE" size="small" />
    <form @submit.prevent="add">
      <ElInput v-model="word" size="small" placeholder="Word" aria-label="Word" maxlength="80" />
      <ElInput
        v-model="say"
        size="small"
        placeholder="how it sounds, or /ˈtaɪdi/"
        aria-label="How it is said"
        maxlength="160"
      />
      <PlayButton
        label="Hear it"
        name="new word"
        :saying
        :heard
        @play="ready && emit('hear', 'new word', entry)"
      />
      <ElButton size="small" native-type="submit" :disabled="!ready">Add</ElButton>
    </form>
    <p v-if="problem" class="red">{{ problem }}</p>
    <ul>
      <li v-for="known in list" :key="known.word">
        <PlayButton
          :label="`Hear ${known.word}`"
          :name="`word ${known.word}`"
          :saying
          :heard
          @play="emit('hear', `word ${known.word}`, known)"
        />
        <span class="serif">{{ known.word }}</span> <span class="soft">{{ known.say }}</span>
        <button
          class="plain soft"
          :aria-label="`Forget ${known.word}`"
          title="Forget"
          @click="
            emit(
              'change',
              where,
              props[where].filter(({ word: w }) => w !== known.word),
            )
          "
        >
          ×
        </button>
      </li>
    </ul>
    <p v-if="!list.length" class="soft">
      A name said wrong? Write it here with how it sounds, or with its sounds in IPA between
      slashes.
    </p>
  </section>
</template>

<style scoped>
section {
  padding: 14px 16px;
  display: grid;
  gap: 10px;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 28px 52px;
  gap: 6px;
  align-items: center;
}
form > :first-child {
  grid-column: 1 / -1;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
li {
  display: grid;
  grid-template-columns: 28px 1fr 1fr 16px;
  gap: 10px;
  align-items: center;
}
li button.soft {
  font-size: 17px;
}
</style>
