<script setup lang="ts" generic="Key extends string">
import KeptInput from '../controls/KeptInput.vue'

/** What is said in words of a sound or of music of one's own, a label and a field a line. */
defineProps<{
  own: Record<Key, string> & { title: string }
  said: readonly (readonly [Key, string])[]
}>()
const emit = defineEmits<{ change: [key: Key, text: string] }>()
/** Everything but its title may be left empty. */
function keep(key: Key, text: string) {
  if (text || key !== 'title') emit('change', key, text)
}
</script>

<template>
  <template v-for="[key, label] in said" :key="key">
    <span>{{ label }}</span>
    <KeptInput
      small
      :value="own[key]"
      :maxlength="300"
      :label="`${label}: ${own.title}`"
      placeholder=""
      @keep="(text) => keep(key, text)"
    />
  </template>
</template>
