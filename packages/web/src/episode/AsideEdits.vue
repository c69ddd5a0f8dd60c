<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { commandName } from '@tidy-reel/core/document/command-name'
import { commandWords } from '@tidy-reel/core/document/command-words'
import type { SetAside } from './outbox.ts'

/** Edits that could not be saved: their words are here to be copied, until a person lets go. */
defineProps<{ edits: readonly SetAside[] }>()
defineEmits<{ letGo: [key: string] }>()
const SHOWN = 160
const { copy, copied } = useClipboard({ legacy: true })
const beginning = (text: string) => (text.length > SHOWN ? `${text.slice(0, SHOWN)} …` : text)
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

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
  max-height: 30vh;
  overflow: auto;
  border-bottom: 1px solid var(--red);
  background: var(--paper);
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 24px;
  padding: 8px 20px;
}
li + li {
  border-top: 1px solid var(--hair);
}
p {
  margin: 0;
}
strong {
  color: var(--red);
  font-weight: 600;
}
q {
  grid-column: 1;
  white-space: pre-line;
  overflow-wrap: anywhere;
}
.acts {
  grid-area: 1 / 2;
  display: flex;
  gap: 16px;
}
</style>
