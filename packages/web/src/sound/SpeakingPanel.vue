<script setup lang="ts">
import { ElOption, ElSelect } from 'element-plus'
import { computed } from 'vue'
import type { Speaking } from '@tidy-reel/core/document/document'
import { type Finish, FINISHES } from '@tidy-reel/core/document/voicing'
import type { VoiceView } from '@tidy-reel/core/views/speech'
import KeptSlider from '../controls/KeptSlider.vue'
import PlayButton from './PlayButton.vue'

const props = defineProps<{
  speaking: Speaking
  speed: number
  /** Seconds that tightening took out of the film. */ saved: number
  /** Breaths and fillers in words, empty for none. */ noises: string
  speakers: readonly string[]
  voices: readonly VoiceView[]
  saying: string
  heard: string
}>()
const emit = defineEmits<{
  set: [set: Partial<Speaking>]
  speed: [speed: number]
  hear: [finish: Finish]
}>()
const NAMES: Record<Finish, string> = {
  documentary: 'documentary: full, a trace of room',
  bright: 'bright: clear, forward',
  intimate: 'intimate: close, warm',
  plain: 'as the engine makes it',
}
const voiceOf = (name: string) =>
  props.speaking.speakers.find((speaker) => speaker.name === name)?.voice ?? ''
const others = computed(() =>
  props.speaking.speakers.filter(({ name }) => !props.speakers.includes(name)),
)
function setSpeaker(name: string, voice: string) {
  const rest = props.speaking.speakers.filter((speaker) => speaker.name !== name)
  emit('set', { speakers: voice ? [...rest, { name, voice }] : rest })
}
</script>

<template>
  <section aria-label="How the film is spoken">
    <h2 class="serif">The film's voice</h2>
    <div class="finishes" role="radiogroup" aria-label="Finish">
      <div
        v-for="finish in FINISHES"
        :key="finish"
        class="finish"
        :class="{ on: speaking.finish === finish }"
      >
        <PlayButton
          :label="`Hear it ${finish}`"
          :name="`finish ${finish}`"
          :saying
          :heard
          @play="emit('hear', finish)"
        />
        <button
          class="plain"
          role="radio"
          :aria-checked="speaking.finish === finish"
          @click="emit('set', { finish })"
        >
          {{ NAMES[finish] }}
        </button>
      </div>
    </div>
    <div class="fields">
      <label for="film-pace">Pace</label>
      <ElSelect
        id="film-pace"
        :model-value="speed"
        @change="(value: number) => emit('speed', value)"
        ><ElOption
          v-for="value in [0.8, 0.9, 0.95, 1, 1.05, 1.1, 1.2]"
          :key="value"
          :value="value"
          :label="value === 1 ? 'the voice\'s own' : `${Math.round(value * 100)} %`"
      /></ElSelect>
      <span>Pauses</span>
      <span class="pauses"
        ><KeptSlider
          :value="Math.round(speaking.pauses * 100)"
          :min="30"
          :max="250"
          :step="5"
          :show-tooltip="false"
          aria-label="Pauses, in per cent"
          @keep="(value) => emit('set', { pauses: value / 100 })"
        />
        <span class="mono">{{ Math.round(speaking.pauses * 100) }} %</span></span
      >
      <label for="tighten">Silences</label>
      <ElSelect
        id="tighten"
        :model-value="speaking.tighten ?? 0"
        @change="(seconds: number) => emit('set', { tighten: seconds || null })"
        ><ElOption :value="0" label="as they were spoken" /><ElOption
          v-for="seconds in [0.2, 0.3, 0.5, 0.8]"
          :key="seconds"
          :value="seconds"
          :label="`at most ${seconds} s`"
      /></ElSelect>
      <template v-if="saved > 0.05"
        ><span />
        <p class="soft saved">{{ saved.toFixed(1) }} s saved: silences, breaths, “um”</p></template
      >
      <template v-else-if="noises"
        ><span />
        <p class="soft saved">
          {{ noises }} in the recordings: they go with the silences
        </p></template
      >
      <label for="understudy">If it fails</label>
      <ElSelect
        id="understudy"
        :empty-values="[null, undefined]"
        :model-value="speaking.understudy ?? ''"
        filterable
        @change="(voice: string) => emit('set', { understudy: voice || null })"
        ><ElOption value="" label="leave the scene silent" /><ElOption
          v-for="voice in voices"
          :key="voice.id"
          :value="voice.id"
          :label="`${voice.name} speaks`"
      /></ElSelect>
      <template v-for="name in speakers" :key="name">
        <label :for="`speaker-${name}`" class="mono">{{ name }}</label>
        <ElSelect
          :id="`speaker-${name}`"
          :empty-values="[null, undefined]"
          :model-value="voiceOf(name)"
          filterable
          @change="(voice: string) => setSpeaker(name, voice)"
          ><ElOption value="" label="the film's voice" /><ElOption
            v-for="voice in voices"
            :key="voice.id"
            :value="voice.id"
            :label="`${voice.name}, ${voice.accent}`"
        /></ElSelect>
      </template>
    </div>
    <p v-if="others.length" class="soft">
      Not in the script any more: {{ others.map(({ name }) => name).join(', ') }}.
      <button
        class="plain link"
        @click="
          emit('set', { speakers: speaking.speakers.filter(({ name }) => speakers.includes(name)) })
        "
      >
        Forget
      </button>
    </p>
  </section>
</template>

<style scoped>
section {
  padding: 14px 16px;
  display: grid;
  gap: 12px;
  border-bottom: 1px solid var(--hair);
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
.finishes {
  display: grid;
  gap: 4px;
}
.finish {
  display: flex;
  gap: 10px;
  align-items: center;
  font-size: 14.5px;
}
.finish.on button[role] {
  font-weight: 600;
  border-bottom: 2px solid var(--blue);
}
.fields {
  display: grid;
  grid-template-columns: 78px minmax(0, 1fr);
  gap: 7px 10px;
  align-items: center;
}
.saved {
  font-size: 13.5px;
}
.pauses {
  display: grid;
  grid-template-columns: 1fr 48px;
  gap: 14px;
  align-items: center;
}
label.mono {
  overflow: hidden;
  text-overflow: ellipsis;
}
</style>
