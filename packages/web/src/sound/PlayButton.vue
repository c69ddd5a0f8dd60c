<script setup lang="ts">
import { Play, Square } from 'lucide-vue-next'
import { computed } from 'vue'

/**
 * `name` is what it plays, as `useSay` names it: `saying` is being made ready or heard, `heard` is
 * heard.
 */
const props = defineProps<{ label: string; name: string; saying: string; heard: string }>()
const active = computed(() => props.saying === props.name)
const waiting = computed(() => active.value && props.heard !== props.name)
defineEmits<{ play: [] }>()
</script>

<template>
  <button
    class="plain play"
    :class="{ active, waiting }"
    :aria-label="active ? `Stop: ${label}` : label"
    :title="active ? 'Stop' : label"
    @click.stop="$emit('play')"
  >
    <Square v-if="active" :size="13" fill="currentColor" /><Play
      v-else
      :size="14"
      fill="currentColor"
    />
  </button>
</template>

<style scoped>
.play {
  width: 28px;
  height: 28px;
  display: grid;
  place-items: center;
  border: 1px solid var(--hair);
  background: var(--paper);
  flex: none;
}
.play:hover {
  border-color: var(--blue);
}
.active {
  color: var(--on-ink);
  background: var(--blue);
  border-color: var(--blue);
}
.active:hover {
  color: var(--on-ink);
}
.waiting {
  animation: wait 0.9s infinite alternate;
}
@keyframes wait {
  to {
    opacity: 0.45;
  }
}
</style>
