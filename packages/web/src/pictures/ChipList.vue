<script setup lang="ts">
defineProps<{ chips: readonly { id: string; said: string }[]; about: string }>()
const emit = defineEmits<{ remove: [id: string] }>()
</script>

<template>
  <ul v-if="chips.length" class="chips" :aria-label="about">
    <li v-for="{ id, said } in chips" :key="id">
      <span>{{ said }}</span><button
        type="button"
        class="plain"
        :aria-label="`Without ${said}`"
        :title="`Without ${said}`"
        @click="emit('remove', id)"
      >
        ×
      </button>
    </li>
  </ul>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 5px 8px;
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  align-items: center;
  border: 1px solid var(--hair);
  background: var(--paper);
  font-size: 13.5px;
  line-height: 22px;
  padding-left: 7px;
  max-width: 100%;
}
span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
button {
  padding: 0 7px;
  color: var(--soft);
}
</style>
