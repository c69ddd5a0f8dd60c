<script setup lang="ts">
import { ElCheckbox, ElInputNumber } from 'element-plus'
import type { SuperLook } from '@tidy-reel/core/style/lettering'
import ChoiceField from './ChoiceField.vue'
import { ENTRANCE_CHOICES, SUPER_GROUND_CHOICES } from './choices.ts'
import FaceField from './FaceField.vue'
import PlaceField from './PlaceField.vue'

/** How one kind of super looks. */
defineProps<{ look: SuperLook }>()
const emit = defineEmits<{ change: [set: Partial<SuperLook>] }>()
</script>

<template>
  <div class="fields">
    <span>Face</span>
    <FaceField label="Face" :face="look.face" @change="(face) => emit('change', { face })" />
    <span>Size</span>
    <span
      ><ElInputNumber
        :model-value="Math.round(look.size * 1080)"
        :min="33"
        :max="430"
        :step="4"
        size="small"
        aria-label="Size in pixels of a picture 1,080 high"
        controls-position="right"
        @change="(px) => px && emit('change', { size: px / 1080 })"
      />
      of 1,080</span
    >
    <span>Stands on</span>
    <ChoiceField
      label="Stands on"
      :value="look.ground"
      :choices="SUPER_GROUND_CHOICES"
      @change="(ground) => emit('change', { ground })"
    />
    <span>Comes</span>
    <ChoiceField
      label="Comes"
      :value="look.comes"
      :choices="ENTRANCE_CHOICES"
      @change="(comes) => emit('change', { comes })"
    />
    <span>Place</span>
    <PlaceField label="Place" :place="look.place" @change="(place) => emit('change', { place })" />
    <span />
    <ElCheckbox
      :model-value="look.capitals"
      @change="(capitals) => emit('change', { capitals: !!capitals })"
      >Capitals</ElCheckbox
    >
  </div>
</template>
