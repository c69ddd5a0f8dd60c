<script setup lang="ts">
import { computed } from 'vue'
import type { ParsedScript } from '@tidy-reel/core/script/parse'

const props = defineProps<{ parsed: ParsedScript; seconds: number }>()
const words = computed(() => props.parsed.scenes.reduce((sum, { text }) => sum + text.split(/\s+/).length, 0))
const minutes = computed(() => (props.seconds / 60).toFixed(1))
</script>

<template>
  <dl aria-label="Length of the script">
    <div><dt>words</dt><dd>{{ words }}</dd></div>
    <div><dt>scenes</dt><dd>{{ parsed.scenes.length }}</dd></div>
    <div><dt>minutes</dt><dd>{{ parsed.scenes.length ? minutes : '0' }}</dd></div>
  </dl>
  <ol v-if="parsed.chapters.length" class="serif">
    <li v-for="(chapter, i) in parsed.chapters" :key="i">{{ chapter.title }}</li>
  </ol>
</template>

<style scoped>
dl { display: grid; grid-template-columns: repeat(3, 1fr); margin: 0; border: solid var(--ink); border-width: 1px 0; }
dl div { display: flex; flex-direction: column-reverse; padding: 8px 0; }
dd { margin: 0; font: 400 27px/1.1 var(--serif); font-variant-numeric: lining-nums; }
dt { color: var(--soft); font-size: 13px; }
ol { margin: 0; padding-left: 22px; }
li { padding: 1px 0; }
</style>
