<script setup lang="ts">
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import type { Item } from '@tidy-reel/core/pictures/item'
import { libraryApi } from '../api/library.ts'
import ItemThumb from './ItemThumb.vue'

/** A picture to be chosen: of those offered, looked for, or brought from this computer. */
const props = withDefaults(
  defineProps<{
    label: string
    offers: readonly Item[]
    chosen?: string
    clips?: boolean
    /** Drawings on nothing too. */
    stickers?: boolean
  }>(),
  { chosen: '', clips: false, stickers: false },
)
const emit = defineEmits<{ choose: [item: Item] }>()
/** Shown at once: two rows. */
const MOST = 8
const words = ref('')
const found = shallowRef<Item[]>()
const foundStickers = shallowRef<{ name: string; title: string }[]>([])
const said = ref('')
const file = useTemplateRef<HTMLInputElement>('file')
let request = new AbortController()

const shown = computed(() =>
  (found.value ?? props.offers)
    .filter(({ kind }) => props.clips || kind === 'photo')
    .slice(0, MOST),
)
async function look() {
  request.abort()
  const { signal } = (request = new AbortController())
  const asked = words.value.trim()
  said.value = ''
  if (!asked) {
    foundStickers.value = []
    return void (found.value = undefined)
  }
  try {
    const [own, all, drawn] = await Promise.all([
      libraryApi.library({ words: asked, shelf: 'own' }, 0, signal),
      libraryApi.findPictures(asked, props.clips ? {} : { kind: 'photo' }, 1, signal),
      props.stickers ? libraryApi.findStickers(asked, signal) : [],
    ])
    foundStickers.value = drawn
    const items = [...own.map(({ item }) => item), ...all.items]
    found.value = [...new Map(items.map((item) => [item.id, item])).values()]
    if (!shown.value.length && !drawn.length)
      said.value = `Nothing for “${asked}”. Try a plainer word.`
  } catch (cause) {
    if (!signal.aborted) said.value = (cause as Error).message
  }
}
async function takeSticker(name: string) {
  try {
    emit('choose', await libraryApi.takeSticker(name))
  } catch (cause) {
    said.value = (cause as Error).message
  }
}
async function bring(event: Event) {
  const input = event.target as HTMLInputElement
  const [brought] = input.files ?? []
  input.value = ''
  if (!brought) return
  said.value = `Taking “${brought.name}” …`
  try {
    const item = await libraryApi.takeOwnFile(brought)
    said.value =
      item.kind === 'clip' && !props.clips ? 'A still is needed here, and this one moves.' : ''
    if (!said.value) emit('choose', item)
  } catch (cause) {
    said.value = (cause as Error).message
  }
}
</script>

<template>
  <div class="chooser" role="group" :aria-label="label">
    <form @submit.prevent="look">
      <input
        v-model="words"
        type="search"
        placeholder="Look for a picture"
        :aria-label="`${label}: look for it`"
        @change="look"
      />
      <button type="button" class="plain link" @click="file?.click()">Bring a file</button>
      <input
        ref="file"
        class="hidden"
        type="file"
        accept="image/*,.svg"
        :aria-label="`${label}: a file of your own`"
        tabindex="-1"
        @change="bring"
      />
    </form>
    <p v-if="said" class="soft" role="status">{{ said }}</p>
    <ul v-if="shown.length">
      <li v-for="item in shown" :key="item.id">
        <button
          class="plain"
          :title="item.title"
          :aria-label="`Choose ${item.title}`"
          :aria-pressed="item.id === chosen"
          @click="emit('choose', item)"
        >
          <ItemThumb :id="item.id" />
        </button>
      </li>
    </ul>
    <ul v-if="foundStickers.length" class="stickers" aria-label="Stickers">
      <li v-for="{ name, title } in foundStickers" :key="name">
        <button
          class="plain"
          :title="title"
          :aria-label="`Choose the sticker ${title}`"
          @click="takeSticker(name)"
        >
          <img :src="libraryApi.stickerAddress(name)" :alt="title" />
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.chooser {
  display: grid;
  gap: 6px;
}
form {
  display: flex;
  gap: 12px;
  align-items: center;
}
input[type='search'] {
  flex: 1;
  min-width: 0;
  border: 1px solid var(--hair);
  background: var(--paper);
  color: inherit;
  font: inherit;
  font-size: 14px;
  line-height: 24px;
  padding: 0 8px;
}
p {
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 6px;
}
.stickers {
  grid-template-columns: repeat(8, minmax(0, 1fr));
}
.stickers img {
  aspect-ratio: 1;
  object-fit: contain;
  background: none;
}
.chooser li button {
  display: block;
  width: 100%;
}
img {
  width: 100%;
  aspect-ratio: 16 / 9;
  object-fit: cover;
  display: block;
  background: var(--deep);
}
button:hover img,
button[aria-pressed='true'] img {
  outline: 2px solid var(--blue);
  outline-offset: 1px;
}
</style>
