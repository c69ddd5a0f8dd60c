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
const emit = defineEmits<{
  /** What was written, and what stood there when the writing began. */
  keep: [text: string, base: string]
}>()
const written = ref(props.value)
let base = props.value
watch(
  () => props.value,
  (value) => {
    // What is being written stays, whatever comes from elsewhere.
    if (written.value !== base) return
    written.value = base = value
  },
)
function keep() {
  if (written.value === base) return
  emit('keep', written.value, base)
  base = written.value
  if (props.value !== base) written.value = base = props.value
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
