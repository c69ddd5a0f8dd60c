<script setup lang="ts">
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import type { PictureFilter } from '@tidy-reel/core/pictures/filter'
import PopPanel from '../controls/PopPanel.vue'
import { chipsOf, FILTERS } from './filters.ts'

const props = defineProps<{ filter: PictureFilter }>()
const emit = defineEmits<{ change: [filter: PictureFilter] }>()
const set = (key: keyof PictureFilter, value: string | number | undefined) => {
  const { [key]: _, ...rest } = props.filter
  emit('change', value === undefined || value === '' ? rest : { ...rest, [key]: value })
}
const active = computed(() => chipsOf(props.filter).length)
</script>

<template>
  <PopPanel label="Filter" :width="330" :on="active > 0">
    <template #label
      >Filter<template v-if="active"> ({{ active }})</template></template
    >
    <form class="filters" aria-label="Filter pictures" @submit.prevent>
      <label v-for="{ key, label, choices } in FILTERS" :key="key"
        ><span>{{ label }}</span>
        <ElSelect
          :model-value="filter[key] ?? ''"
          size="small"
          :teleported="false"
          clearable
          placeholder="any"
          :aria-label="label"
          @change="(value: string | number) => set(key, value)"
          ><ElOption v-for="[value, said] in choices" :key="value" :value="value" :label="said"
        /></ElSelect>
      </label>
      <label
        ><span>Source</span
        ><ElInput
          :model-value="filter.source ?? ''"
          size="small"
          clearable
          placeholder="any"
          aria-label="Source"
          @change="(value: string) => set('source', value.trim())"
      /></label>
      <p v-if="active">
        <button type="button" class="plain link" @click="emit('change', {})">
          Show everything again
        </button>
      </p>
    </form>
  </PopPanel>
</template>

<style scoped>
.filters {
  display: grid;
  gap: 7px;
}
.filters label {
  display: grid;
  grid-template-columns: 82px 1fr;
  align-items: center;
}
</style>
