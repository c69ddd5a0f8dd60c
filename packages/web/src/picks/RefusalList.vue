<script setup lang="ts">
import type { Refusal } from '@tidy-reel/core/document/document'
import { REASONS } from './reasons.ts'

defineProps<{ refusals: readonly Refusal[] }>()
const emit = defineEmits<{ back: [item: Refusal['item']] }>()
const label = (reason: Refusal['reason']) => REASONS.find((each) => each.reason === reason)!.label
</script>

<template>
  <section aria-label="Turned down">
    <h2 class="serif">
      Turned down <span class="soft">{{ refusals.length }}</span>
    </h2>
    <ul>
      <li v-for="{ item, reason } in [...refusals].reverse()" :key="item.id">
        <span class="name">{{ item.title }}</span> <span class="soft">{{ label(reason) }}</span>
        <button class="plain link" @click="emit('back', item)">Take back</button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
li {
  font-size: 13.5px;
  line-height: 1.35;
}
.link {
  margin-left: 6px;
}
</style>
