<script setup lang="ts">
import { ElOption, ElOptionGroup, ElSelect } from 'element-plus'
import { computed } from 'vue'
import { languageName } from '@tidy-reel/core/text/language-name'
import { offeredLanguages } from './languages.ts'

/** Which subtitles are read: those of what is spoken, or of another language. */
const props = defineProps<{ language: string; tracks: readonly string[] }>()
const emit = defineEmits<{ choose: [language: string] }>()
const offered = computed(() => offeredLanguages(props.tracks))
</script>

<template>
  <ElSelect
    class="languages"
    :model-value="language"
    size="small"
    filterable
    aria-label="Language of the subtitles"
    @change="(chosen: string) => emit('choose', chosen)"
  >
    <ElOption value="" label="As it is spoken" />
    <ElOption v-for="code in tracks" :key="code" :value="code" :label="languageName(code)" />
    <ElOptionGroup label="Add another language">
      <ElOption v-for="[code, name] in offered" :key="code" :value="code" :label="name" />
    </ElOptionGroup>
  </ElSelect>
</template>

<style scoped>
.languages {
  width: 170px;
}
</style>
