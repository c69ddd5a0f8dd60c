<script setup lang="ts" generic="Value extends string | number">
import { ElOption, ElSelect } from 'element-plus'

/** One of several, each with its name. */
defineProps<{
  value: Value | undefined
  label: string
  choices: readonly (readonly [Value, string])[]
  /** What is said while none of them is chosen. */
  none?: string
}>()
const emit = defineEmits<{ change: [value: Value] }>()
</script>

<template>
  <ElSelect
    :model-value="value"
    size="small"
    :empty-values="[undefined]"
    :aria-label="label"
    :placeholder="none"
    @change="(chosen: Value) => emit('change', chosen)"
    ><ElOption v-for="[one, name] in choices" :key="one" :value="one" :label="name"
  /></ElSelect>
</template>
