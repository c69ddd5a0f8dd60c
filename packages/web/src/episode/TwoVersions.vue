<script setup lang="ts">
import type { CommandOf } from '@tidy-reel/core/document/command'
import type { Conflict } from '@tidy-reel/core/document/document'

/** What two people wrote over each other: both versions stand in the script until one is chosen. */
defineProps<{ conflicts: readonly Conflict[]; script: string }>()
defineEmits<{ settle: [id: string, keep: CommandOf<'settleConflict'>['keep']] }>()
const SHOWN = 160
const words = (script: string, { from, to }: Conflict['first']) => {
  const text = script.slice(from, to)
  return text.length > SHOWN ? `${text.slice(0, SHOWN)} …` : text
}
</script>

<template>
  <ul role="alert" aria-label="Sentences that two people changed at once">
    <li v-for="{ id, first, second } in conflicts" :key="id">
      <p>
        <strong>Changed twice at once.</strong>{{ ' '
        }}<span class="soft">Both versions stand in the script. Which is to stay?</span>
      </p>
      <span v-for="version in [first, second]" :key="version.from + version.to" class="version">
        <q v-if="version.to > version.from" class="serif">{{ words(script, version) }}</q>
        <span v-else class="soft">taken out</span>
      </span>
      <span class="acts">
        <button class="plain link" @click="$emit('settle', id, 'first')">Keep the first</button>
        <button class="plain link" @click="$emit('settle', id, 'second')">Keep the second</button>
        <button
          v-if="first.to > first.from && second.to > second.from"
          class="plain link"
          @click="$emit('settle', id, 'both')"
        >
          Keep both
        </button>
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
  grid-template-columns: repeat(2, minmax(0, 1fr)) auto;
  gap: 4px 24px;
  padding: 8px 20px;
}
li + li {
  border-top: 1px solid var(--hair);
}
p {
  grid-column: 1 / -1;
  margin: 0;
}
strong {
  color: var(--red);
  font-weight: 600;
}
q {
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
</style>
