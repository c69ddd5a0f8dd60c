<script setup lang="ts">
import type { CommandOf } from '@tidy-reel/core/document/command'
import type { Conflict } from '@tidy-reel/core/document/document'
import { beginning } from './beginning.ts'

/** What two people wrote over each other: both versions stand in the script until one is chosen. */
defineProps<{ conflicts: readonly Conflict[]; script: string }>()
defineEmits<{ settle: [id: string, keep: CommandOf<'settleConflict'>['keep']] }>()
const words = (script: string, { from, to }: Conflict['first']) => beginning(script.slice(from, to))
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

<style scoped src="./strip.css"></style>

<style scoped>
li {
  grid-template-columns: repeat(2, minmax(0, 1fr)) auto;
}
p {
  grid-column: 1 / -1;
}
.acts {
  flex-wrap: wrap;
  gap: 4px 16px;
}
</style>
