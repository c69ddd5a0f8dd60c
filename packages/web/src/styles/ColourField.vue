<script setup lang="ts">
/** A colour, by the browser's own chooser or in letters. */
defineProps<{ colour: string; label: string }>()
const emit = defineEmits<{ change: [colour: string] }>()
function written(event: Event) {
  const field = event.target as HTMLInputElement
  const colour = `#${field.value.trim().replace(/^#/, '')}`.toLowerCase()
  if (/^#[0-9a-f]{6}$/.test(colour)) emit('change', colour)
  else field.reportValidity()
}
</script>

<template>
  <span class="colour">
    <input
      type="color"
      :value="colour"
      :aria-label="label"
      @input="emit('change', ($event.target as HTMLInputElement).value)"
    />
    <input
      class="mono"
      :value="colour"
      :aria-label="`${label}, in letters`"
      maxlength="7"
      pattern="#?[0-9a-fA-F]{6}"
      title="Six digits from 0 to f, as in #b8432f"
      @change="written"
    />
  </span>
</template>

<style scoped>
.colour {
  display: flex;
  gap: 6px;
}
input {
  border: 1px solid var(--edge);
  background: var(--paper);
  color: var(--ink);
  height: 26px;
  padding: 0 6px;
}
input[type='color'] {
  width: 40px;
  padding: 2px;
}
.mono {
  width: 84px;
  font-size: 13px;
}
</style>
