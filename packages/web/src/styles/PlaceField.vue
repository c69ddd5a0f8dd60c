<script setup lang="ts">
import { type Place } from '@tidy-reel/core/pictures/place'

/** One of nine places on a picture. */
defineProps<{ place: Place | undefined; label: string }>()
const emit = defineEmits<{ change: [place: Place] }>()
const ROWS: readonly [Place, string][] = [
  ['head-left', 'at the head, left'],
  ['head', 'at the head'],
  ['head-right', 'at the head, right'],
  ['left', 'left'],
  ['middle', 'in the middle'],
  ['right', 'right'],
  ['foot-left', 'at the foot, left'],
  ['foot', 'at the foot'],
  ['foot-right', 'at the foot, right'],
]
</script>

<template>
  <span class="places" role="radiogroup" :aria-label="label">
    <button
      v-for="[name, said] in ROWS"
      :key="name"
      class="plain"
      role="radio"
      :aria-checked="name === place"
      :aria-label="said"
      :title="said"
      @click="emit('change', name)"
    />
  </span>
</template>

<style scoped>
.places {
  display: grid;
  grid-template-columns: repeat(3, 24px);
  gap: 1px;
  width: max-content;
  border: 1px solid var(--edge);
  background: var(--hair);
}
button {
  height: 24px;
  background: var(--paper);
}
button[aria-checked='true'] {
  background: var(--blue);
}
</style>
