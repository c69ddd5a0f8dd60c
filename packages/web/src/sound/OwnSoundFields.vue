<script setup lang="ts">
import type { FoundSoundView } from '@tidy-reel/core/views/sounds'
import type { SaidOfSound } from '../api/sounds.ts'
import ChoiceField from '../styles/ChoiceField.vue'
import SaidOfOwn from './SaidOfOwn.vue'

/** What is said of a sound of one's own, and how it leaves. */
defineProps<{ sound: FoundSoundView }>()
const emit = defineEmits<{ change: [said: SaidOfSound]; remove: [] }>()
const SAID = [
  ['title', 'Called'],
  ['words', 'Also found by'],
  ['author', 'By'],
  ['licence', 'Licence'],
] as const
const LASTING = [
  ['on', 'round and round, as a place does'],
  ['once', 'once'],
] as const
</script>

<template>
  <div class="fields">
    <SaidOfOwn :own="sound" :said="SAID" @change="(key, text) => emit('change', { [key]: text })" />
    <span>Is heard</span>
    <ChoiceField
      :value="sound.goesOn ? 'on' : 'once'"
      :label="`How ${sound.title} is heard`"
      :choices="LASTING"
      @change="(how) => emit('change', { goesOn: how === 'on' })"
    />
    <button class="plain link red" @click="emit('remove')">Take it off the shelf</button>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr);
  gap: 6px 8px;
  align-items: center;
  padding: 6px 0 10px;
}
.fields button {
  grid-column: 2;
  justify-self: start;
}
</style>
