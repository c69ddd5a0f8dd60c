<script setup lang="ts">
import { ElCheckbox, ElInputNumber, ElSlider } from 'element-plus'
import { isEqual } from 'lodash-es'
import { computed } from 'vue'
import type { SubtitleStyle } from '@tidy-reel/core/style/lettering'
import { SUBTITLE_PRESETS, type SubtitlePreset } from '@tidy-reel/core/style/subtitle-presets'
import ChoiceField from './ChoiceField.vue'
import {
  ENTRANCE_CHOICES,
  SPOKEN_CHOICES,
  SUBTITLE_GROUND_CHOICES,
  WORDS_CHOICES,
} from './choices.ts'
import ColourField from './ColourField.vue'
import FaceField from './FaceField.vue'
import SubtitlePlaceFields from './SubtitlePlaceFields.vue'

/** How subtitles look. */
const props = defineProps<{ subtitle: SubtitleStyle }>()
const emit = defineEmits<{ change: [set: Partial<SubtitleStyle>] }>()
const PRESETS = (Object.keys(SUBTITLE_PRESETS) as SubtitlePreset[]).map(
  (id) => [id, SUBTITLE_PRESETS[id].name] as const,
)
const startedFrom = computed(
  () => PRESETS.find(([id]) => isEqual(SUBTITLE_PRESETS[id].style, props.subtitle))?.[0],
)
</script>

<template>
  <div class="fields">
    <span>Start from</span>
    <ChoiceField
      label="Start from"
      :value="startedFrom"
      none="of your own"
      :choices="PRESETS"
      @change="(id) => emit('change', SUBTITLE_PRESETS[id].style)"
    />
    <span>Face</span>
    <FaceField label="Face" :face="subtitle.face" @change="(face) => emit('change', { face })" />
    <span>Size</span>
    <span
      ><ElInputNumber
        :model-value="Math.round(subtitle.size * 1080)"
        :min="27"
        :max="270"
        :step="2"
        size="small"
        aria-label="Size in pixels of a picture 1,080 high"
        controls-position="right"
        @change="(px) => px && emit('change', { size: px / 1080 })"
      />
      of 1,080</span
    >
    <span>Letters</span>
    <ColourField
      label="Letters"
      :colour="subtitle.colour"
      @change="(colour) => emit('change', { colour })"
    />
    <span>Stand on</span>
    <ChoiceField
      label="Stand on"
      :value="subtitle.ground"
      :choices="SUBTITLE_GROUND_CHOICES"
      @change="(ground) => emit('change', { ground })"
    />
    <span>Its colour</span>
    <ColourField
      label="Its colour"
      :colour="subtitle.groundColour"
      @change="(groundColour) => emit('change', { groundColour })"
    />
    <span>Its strength</span>
    <ElSlider
      :model-value="subtitle.strength"
      :min="0"
      :max="1"
      :step="0.02"
      size="small"
      aria-label="Strength of what they stand on"
      @input="(strength) => emit('change', { strength: Number(strength) })"
    />
    <span>Seen at once</span>
    <ChoiceField
      label="Seen at once"
      :value="subtitle.words"
      :choices="WORDS_CHOICES"
      @change="(words) => emit('change', { words, lines: words === 'cue' ? subtitle.lines : 1 })"
    />
    <span>Spoken word</span>
    <ChoiceField
      label="Spoken word"
      :value="subtitle.spoken"
      :choices="SPOKEN_CHOICES"
      @change="(spoken) => emit('change', { spoken })"
    />
    <template v-if="subtitle.spoken !== 'none' && subtitle.spoken !== 'size'">
      <span>Its colour</span>
      <ColourField
        label="Colour of the spoken word"
        :colour="subtitle.spokenColour"
        @change="(spokenColour) => emit('change', { spokenColour })"
      />
    </template>
    <span>Come</span>
    <ChoiceField
      label="Come"
      :value="subtitle.comes"
      :choices="ENTRANCE_CHOICES"
      @change="(comes) => emit('change', { comes })"
    />
    <SubtitlePlaceFields :subtitle="subtitle" @change="(set) => emit('change', set)" />
    <span />
    <ElCheckbox
      :model-value="subtitle.capitals"
      @change="(capitals) => emit('change', { capitals: !!capitals })"
      >Capitals</ElCheckbox
    >
  </div>
</template>
