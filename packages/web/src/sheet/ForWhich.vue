<script setup lang="ts" generic="Which extends string">
import { ElRadioButton, ElRadioGroup } from 'element-plus'
import { ref } from 'vue'

/** What a setting is made for; the first of the choices until another is taken. */
const props = withDefaults(
  defineProps<{ choices: readonly (readonly [Which, string])[]; label?: string }>(),
  { label: 'Changes hold for' },
)
const emit = defineEmits<{ change: [which: Which] }>()
const which = ref<string>(props.choices[0]?.[0] ?? '')
</script>

<template>
  <div class="for">
    <span class="soft">{{ label }}</span>
    <ElRadioGroup
      v-model="which"
      size="small"
      :aria-label="label"
      @change="emit('change', which as Which)"
    >
      <ElRadioButton v-for="[one, said] in choices" :key="one" :value="one">{{
        said
      }}</ElRadioButton>
    </ElRadioGroup>
  </div>
</template>

<style scoped>
.for {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 4px 10px;
}
</style>
