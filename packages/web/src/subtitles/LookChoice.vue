<script setup lang="ts">
import { isEqual } from 'lodash-es'
import type { SubtitleStyle } from '@tidy-reel/core/style/lettering'
import { SUBTITLE_PRESETS } from '@tidy-reel/core/style/subtitle-presets'

/** How the film's subtitles look: one of ours, else as the house style or a person has set them. */
defineProps<{ subtitle: SubtitleStyle }>()
const emit = defineEmits<{ wear: [subtitle: SubtitleStyle] }>()
const LOOKS = Object.entries(SUBTITLE_PRESETS)
</script>

<template>
  <div role="group" aria-label="How they look">
    <h2 class="serif">
      How they look
      <RouterLink class="link" :to="{ name: 'styles' }">more in house styles</RouterLink>
    </h2>
    <ul>
      <li v-for="[name, { name: said, style }] in LOOKS" :key="name">
        <button class="plain" :aria-pressed="isEqual(style, subtitle)" @click="emit('wear', style)">
          {{ said }}
        </button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
h2 {
  font-size: 17px;
  margin: 0 0 6px;
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
h2 .link {
  font: 14px var(--sans);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(170px, 100%), 1fr));
  gap: 0 14px;
}
button {
  width: 100%;
  text-align: left;
  padding: 4px 6px;
  border-bottom: 1px solid var(--hair);
  font-size: 14px;
}
button:hover {
  color: var(--blue);
}
button[aria-pressed='true'] {
  background: var(--select);
}
</style>
