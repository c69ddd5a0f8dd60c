<script setup lang="ts" generic="Value extends string">
/** Words that are each on or off, in a row; what is off is struck through. */
defineProps<{
  label: string
  choices: readonly (readonly [Value, string])[]
  on: (value: Value) => boolean
  hint?: (name: string, isOn: boolean) => string
}>()
const emit = defineEmits<{ toggle: [value: Value] }>()
</script>

<template>
  <span class="words" role="group" :aria-label="label"
    ><button
      v-for="[value, name] in choices"
      :key="value"
      class="plain"
      :aria-pressed="on(value)"
      :class="{ off: !on(value) }"
      :title="hint?.(name, on(value))"
      @click="emit('toggle', value)"
    >
      {{ name }}
    </button></span
  >
</template>

<style scoped>
.words {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
}
button {
  border-bottom: 2px solid var(--blue);
}
.off {
  color: var(--soft);
  border-color: transparent;
  text-decoration: line-through;
}
</style>
