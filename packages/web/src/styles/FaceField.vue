<script setup lang="ts">
import { computed, onMounted, useTemplateRef } from 'vue'
import { FACE_IDS, type FaceId, FACES } from '@tidy-reel/core/style/faces'
import ChoiceField from './ChoiceField.vue'
import { useOwnFonts } from './use-own-fonts.ts'

/** The face of letters: one that ships, or one of one's own. */
defineProps<{ face: FaceId; label: string }>()
const emit = defineEmits<{ change: [face: FaceId] }>()
const fonts = useOwnFonts()
const file = useTemplateRef<HTMLInputElement>('file')
onMounted(fonts.load)
const choices = computed((): (readonly [FaceId, string])[] => [
  ...FACE_IDS.map((id) => [id, FACES[id].name] as const),
  ...fonts.faces.value.map(({ id, name }) => [id, name] as const),
])
async function bring(event: Event) {
  const input = event.target as HTMLInputElement
  const [brought] = input.files ?? []
  input.value = ''
  const face = brought && (await fonts.bring(brought))
  if (face) emit('change', face.id)
}
</script>

<template>
  <span class="face">
    <ChoiceField
      :label="label"
      :value="face"
      :choices="choices"
      @change="(chosen) => emit('change', chosen)"
    />
    <button class="plain link" @click="file?.click()">Bring a font</button>
    <input
      ref="file"
      class="hidden"
      type="file"
      accept=".ttf,.otf,.woff,.woff2"
      :aria-label="`${label}: a font file of your own`"
      tabindex="-1"
      @change="bring"
    />
    <span v-if="fonts.fault.value" class="red" role="alert">{{ fonts.fault.value }}</span>
  </span>
</template>

<style scoped>
.face {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 10px;
  align-items: center;
}
.face .el-select {
  flex: 1;
  min-width: 110px;
}
</style>
