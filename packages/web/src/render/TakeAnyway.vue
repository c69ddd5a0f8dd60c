<script setup lang="ts">
import { ElButton, ElInput } from 'element-plus'
import { ref } from 'vue'
import { REASON_LIMIT } from '@tidy-reel/core/render/report'

/** A film that failed its check is taken with a reason, which stays with it. */
const emit = defineEmits<{ taken: [reason: string] }>()
const reason = ref('')
const take = () => {
  const said = reason.value.trim()
  if (said) emit('taken', said)
}
</script>

<template>
  <form @submit.prevent="take">
    <ElInput
      v-model="reason"
      :maxlength="REASON_LIMIT"
      aria-label="Why it is taken all the same"
      placeholder="Why it can go out all the same"
    />
    <ElButton native-type="submit" :disabled="!reason.trim()">Take it anyway</ElButton>
  </form>
</template>

<style scoped>
form {
  display: flex;
  gap: 8px;
  max-width: 560px;
}
</style>
