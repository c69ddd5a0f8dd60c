<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ChapterLength } from '@tidy-reel/core/checks/chapters'
import { clockText } from '@tidy-reel/core/time/time'

const props = defineProps<{
  chapters: readonly ChapterLength[]
  current: number
  wishes: ReadonlyMap<number, number>
}>()
const emit = defineEmits<{ show: [chapter: number]; move: [chapter: number, before: number] }>()
/** -2: none; -1 is what comes before the first heading. */
const NONE = -2
const lifted = ref(NONE)
const over = ref(NONE)
const all = computed(() => props.chapters.reduce((sum, { seconds }) => sum + seconds, 0) || 1)
const last = computed(() => (props.chapters.at(-1)?.chapter ?? -1) + 1)
/** A chapter half as long again as its share, or half of it, is marked. */
const off = (chapter: number, seconds: number) => {
  const wish = props.wishes.get(chapter)
  return wish !== undefined && (seconds > wish * 1.5 || seconds < wish / 2)
}
function drop(before: number) {
  if (lifted.value >= 0 && before !== lifted.value && before !== lifted.value + 1)
    emit('move', lifted.value, before)
  lifted.value = over.value = NONE
}
function step(chapter: number, way: 1 | -1) {
  const before = way < 0 ? chapter - 1 : chapter + 2
  if (before >= 0 && before <= last.value) emit('move', chapter, before)
}
</script>

<template>
  <nav aria-label="Chapters">
    <ol v-if="chapters.length">
      <li
        v-for="{ chapter, title, seconds } in chapters"
        :key="chapter"
        :class="{ current: chapter === current, over: over === chapter }"
        :draggable="chapter >= 0"
        @dragstart="lifted = chapter"
        @dragend="lifted = over = NONE"
        @dragover.prevent="over = chapter"
        @drop.prevent="chapter >= 0 && drop(chapter)"
      >
        <button
          class="plain"
          :title="chapter >= 0 ? 'Drag to move the chapter, or Alt and the arrows' : ''"
          @click="emit('show', chapter)"
          @keydown.alt.up.prevent="step(chapter, -1)"
          @keydown.alt.down.prevent="step(chapter, 1)"
        >
          <span class="serif">{{ title }}</span><span
            class="mono"
            :class="{ red: off(chapter, seconds) }"
            >{{ clockText(seconds)
            }}<template v-if="wishes.has(chapter)"
              ><br /><span title="What it may take of the wanted minutes"
                >of {{ clockText(wishes.get(chapter)!) }}</span
              ></template
            ></span
          >
        </button>
        <i :style="{ width: `${(seconds / all) * 100}%` }" />
      </li>
      <li
        v-if="lifted >= 0"
        class="end"
        :class="{ over: over === last }"
        @dragover.prevent="over = last"
        @drop.prevent="drop(last)"
      >
        to the end
      </li>
    </ol>
    <p v-else class="soft">A line that begins with # starts a chapter. Chapters are listed here.</p>
  </nav>
</template>

<style scoped>
nav {
  padding: 30px 14px 20px 20px;
  overflow: auto;
  border-right: 1px solid var(--hair);
  font-size: 14px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 9px;
}
li {
  border-top: 2px solid transparent;
}
li.over {
  border-top-color: var(--blue);
}
li button {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  width: 100%;
  align-items: baseline;
}
.serif {
  font-size: 15px;
  line-height: 1.25;
}
.current .serif {
  font-weight: 600;
}
i {
  display: block;
  height: 2px;
  background: var(--hair);
  margin-top: 3px;
}
.current i {
  background: var(--blue);
}
.mono {
  text-align: right;
  white-space: nowrap;
}
.mono.red {
  color: var(--red);
}
.end {
  color: var(--soft);
  padding: 6px 0;
}
</style>
