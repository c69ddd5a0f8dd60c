<script setup lang="ts">
import type { HouseStyle } from '@tidy-reel/core/style/house-style'

/** Styles under a heading, one of them chosen. */
defineProps<{ title: string; styles: readonly HouseStyle[]; chosen: string; none?: string }>()
const emit = defineEmits<{ choose: [id: string] }>()
const SWATCHES = ['paper', 'ink', 'accent', 'shade', 'light'] as const
</script>

<template>
  <section :aria-label="title">
    <h2 class="serif">{{ title }}</h2>
    <p v-if="!styles.length && none" class="soft">{{ none }}</p>
    <ul>
      <li v-for="style in styles" :key="style.id">
        <button class="plain" :aria-pressed="style.id === chosen" @click="emit('choose', style.id)">
          <span class="name">{{ style.name }}</span>
          <span class="swatches" aria-hidden="true"
            ><i
              v-for="name in SWATCHES"
              :key="name"
              :style="{ background: style.lettering.palette[name] }"
          /></span>
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  font-size: 17px;
  font-weight: 600;
  margin: 0 0 6px;
}
p {
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li button {
  width: 100%;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  padding: 7px 8px;
  border-top: 1px solid var(--hair);
  text-align: left;
}
li button:hover {
  background: var(--wash);
}
li button[aria-pressed='true'] {
  background: var(--select);
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.swatches {
  display: flex;
  flex: none;
  border: 1px solid var(--hair);
}
.swatches i {
  width: 14px;
  height: 14px;
}
</style>
