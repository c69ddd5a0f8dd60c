<script setup lang="ts">
import { onMounted, useTemplateRef } from 'vue'

/** Says what was taken away and offers it back; the button has the focus. */
defineProps<{ said: string; action: string }>()
const emit = defineEmits<{ undo: [] }>()
const button = useTemplateRef<HTMLButtonElement>('button')
onMounted(() => button.value?.focus())
</script>

<template>
  <p class="undo" role="status">
    {{ said }}
    <button ref="button" class="plain link" @click="emit('undo')">{{ action }}</button>
  </p>
</template>

<style scoped>
.undo {
  margin: 0;
  padding: 9px 8px;
  border-top: 1px solid var(--ink);
}
</style>
