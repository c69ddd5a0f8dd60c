<script setup lang="ts">
import { ElInputNumber } from 'element-plus'
import type { SubtitleStyle } from '@tidy-reel/core/style/lettering'
import PlaceField from './PlaceField.vue'

/** Where subtitles stand: four cells of the grid it lies in. */
defineProps<{ subtitle: Pick<SubtitleStyle, 'place' | 'height'> }>()
const emit = defineEmits<{ change: [set: Partial<Pick<SubtitleStyle, 'place' | 'height'>>] }>()
</script>

<template>
  <span>Place</span>
  <PlaceField
    label="Place of subtitles"
    :place="subtitle.place"
    @change="(place) => emit('change', { place })"
  />
  <span>From the edge</span>
  <span
    ><ElInputNumber
      :model-value="Math.round(subtitle.height * 100)"
      :min="5"
      :max="45"
      size="small"
      aria-label="From the edge, per cent of the height"
      controls-position="right"
      @change="(share) => share && emit('change', { height: share / 100 })"
    />
    % of height</span
  >
</template>
