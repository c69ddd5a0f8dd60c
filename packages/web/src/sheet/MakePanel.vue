<script setup lang="ts">
import { ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { onScopeDispose, ref } from 'vue'
import type { Making } from '@tidy-reel/core/document/document'
import type { Item } from '@tidy-reel/core/pictures/item'
import { libraryApi } from '../api/library.ts'
import KeptInput from '../controls/KeptInput.vue'
import MovingThumb from '../pictures/MovingThumb.vue'
import { useMakerStyles } from '../pictures/use-maker-styles.ts'

const props = defineProps<{ description: string; making: Making; chosen: string | undefined }>()
const emit = defineEmits<{ choose: [item: Item]; making: [set: Partial<Making>] }>()
const VARIANTS = 4
const { styles, problem } = useMakerStyles()
const wanted = ref(props.description)
const made = ref<Item[]>([])
const busy = ref(false)
const over = ref('')
/** Of the first of four; the next four have the seeds after them. */
const seed = ref(1)
let request = new AbortController()
onScopeDispose(() => request.abort())

async function make() {
  request.abort()
  const { signal } = (request = new AbortController())
  busy.value = true
  problem.value = ''
  try {
    const items = await libraryApi.makePictures(
      {
        description: wanted.value,
        style: props.making.style,
        without: props.making.without
          .split(',')
          .map((word) => word.trim())
          .filter(Boolean),
        shape: 'landscape',
        seed: seed.value,
      },
      signal,
    )
    made.value = [...items, ...made.value]
    seed.value += VARIANTS
  } catch (cause) {
    if (!signal.aborted) problem.value = (cause as Error).message
  } finally {
    if (!signal.aborted) busy.value = false
  }
}
</script>

<template>
  <p v-if="styles?.length === 0 && !problem" class="soft">
    No picture maker is set up. Set TIDY_MAKER to the address of one and start again.
  </p>
  <form v-else @submit.prevent="make">
    <ElInput
      v-model="wanted"
      type="textarea"
      :autosize="{ minRows: 2, maxRows: 4 }"
      :maxlength="1000"
      aria-label="What is to be seen"
    />
    <div class="row">
      <ElSelect
        :model-value="making.style"
        size="small"
        aria-label="Style, for all made pictures of this film"
        title="One style for all made pictures of this film"
        @change="(style: string) => emit('making', { style })"
        ><ElOption v-for="{ id, name } in styles ?? []" :key="id" :value="id" :label="name"
      /></ElSelect>
      <KeptInput
        :value="making.without"
        small
        label="What must not be seen, parted by commas"
        placeholder="without: people, text"
        @keep="(without) => emit('making', { without })"
      />
      <ElButton
        native-type="submit"
        size="small"
        type="primary"
        :loading="busy"
        :disabled="!wanted.trim()"
        >{{ made.length ? 'Four others' : 'Paint four' }}</ElButton
      >
    </div>
  </form>
  <p v-if="problem" class="red" role="alert">{{ problem }}</p>
  <ul>
    <li v-for="item in made" :key="item.id" @mouseenter="over = item.id" @mouseleave="over = ''">
      <button
        class="plain"
        :aria-pressed="item.id === chosen"
        :title="`Choose it: ${item.tags.join(', ')}`"
        @click="emit('choose', item)"
      >
        <MovingThumb class="frame" :item="item" :moving="over === item.id" /><span class="soft">{{
          item.tags.join(', ')
        }}</span>
      </button>
    </li>
  </ul>
</template>

<style scoped>
form {
  display: grid;
  gap: 8px;
}
.row {
  display: grid;
  grid-template-columns: 130px 1fr auto;
  gap: 10px;
  align-items: center;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
}
li {
  min-width: 0;
}
li button {
  display: grid;
  width: 100%;
  font-size: 13px;
}
li .soft {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.frame {
  width: 100%;
  aspect-ratio: 16 / 9;
}
[aria-pressed='true'] .frame {
  outline: 2px solid var(--blue);
  outline-offset: 1px;
}
</style>
