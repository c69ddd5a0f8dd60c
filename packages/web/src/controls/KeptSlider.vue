<script setup lang="ts">
import { ElSlider } from 'element-plus'
import { ref, watch } from 'vue'

/**
 * A slider that hands over its value when it is let go. Element Plus tells of a change what its
 * model holds by then: without a model of its own that is the old value.
 */
const props = defineProps<{ value: number }>()
const emit = defineEmits<{ keep: [value: number] }>()
const held = ref(props.value)
watch(
  () => props.value,
  (value) => (held.value = value),
)
</script>

<template>
  <ElSlider v-model="held" @change="(value) => emit('keep', Number(value))" />
</template>
