<script setup lang="ts">
import { ElRadioButton, ElRadioGroup } from 'element-plus'
import { ref } from 'vue'

/** For which scenes a setting is made. */
const emit = defineEmits<{ change: [which: 'these' | 'chapter' | 'all'] }>()
const which = ref<'these' | 'chapter' | 'all'>('these')
</script>

<template>
  <div class="for">
    <span class="soft">Changes hold for</span>
    <ElRadioGroup
      v-model="which"
      size="small"
      aria-label="Changes hold for"
      @change="emit('change', which)"
    >
      <ElRadioButton value="these">what is selected</ElRadioButton>
      <ElRadioButton value="chapter">its chapter</ElRadioButton>
      <ElRadioButton value="all">the whole film</ElRadioButton>
    </ElRadioGroup>
  </div>
</template>

<style scoped>
.for {
  display: flex;
  align-items: center;
  gap: 10px;
}
</style>
