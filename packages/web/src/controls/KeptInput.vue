<script setup lang="ts">
import { ElInput } from 'element-plus'
import { ref, watch } from 'vue'

/**
 * A field that hands over what was written when the person leaves it or presses Enter; on several
 * lines, Enter is a line.
 */
const props = defineProps<{
  value: string
  label: string
  placeholder: string
  lines?: { minRows: number; maxRows: number }
  small?: boolean
}>()
const emit = defineEmits<{ keep: [text: string] }>()
const written = ref(props.value)
watch(
  () => props.value,
  (value) => (written.value = value),
)
function keep() {
  if (written.value !== props.value) emit('keep', written.value)
}
</script>

<template>
  <ElInput
    v-model="written"
    :type="lines ? 'textarea' : 'text'"
    :autosize="lines ?? false"
    :size="small ? 'small' : 'default'"
    :aria-label="label"
    :placeholder="placeholder"
    @change="keep"
    @blur="keep"
  />
</template>
