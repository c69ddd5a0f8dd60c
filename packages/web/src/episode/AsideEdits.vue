<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { commandName } from '@tidy-reel/core/document/command-name'
import { commandWords } from '@tidy-reel/core/document/command-words'
import { beginning } from './beginning.ts'
import type { SetAside } from './outbox.ts'

/** Edits that could not be saved: their words are here to be copied, until a person lets go. */
defineProps<{ edits: readonly SetAside[] }>()
defineEmits<{ letGo: [key: string] }>()
const { copy, copied } = useClipboard({ legacy: true })
</script>

<template>
  <ul role="alert" aria-label="Changes that could not be saved">
    <li v-for="{ key, command, reason } in edits" :key="key">
      <p>
        <strong>Not saved: {{ commandName(command) }}.</strong> {{ reason }}
        <span class="soft">Everything else is saved.</span>
      </p>
      <q v-if="commandWords(command)" class="serif">{{ beginning(commandWords(command)) }}</q>
      <span class="acts">
        <button
          v-if="commandWords(command)"
          class="plain link"
          @click="copy(commandWords(command))"
        >
          {{ copied ? 'Copied' : 'Copy the words' }}
        </button>
        <button class="plain link" @click="$emit('letGo', key)">Let go</button>
      </span>
    </li>
  </ul>
</template>

<style scoped src="./strip.css"></style>

<style scoped>
li {
  grid-template-columns: minmax(0, 1fr) auto;
}
q {
  grid-column: 1;
  white-space: pre-line;
}
.acts {
  grid-area: 1 / 2;
  gap: 16px;
}
</style>
