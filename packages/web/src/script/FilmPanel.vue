<script setup lang="ts">
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import type { Command } from '@tidy-reel/core/document/command'
import type { Document } from '@tidy-reel/core/document/document'
import type { ParsedScript } from '@tidy-reel/core/script/parse'
import { baseOf } from '@tidy-reel/core/speech/language'
import type { Mood } from '@tidy-reel/core/style/film-choices'
import { clockText } from '@tidy-reel/core/time/time'
import type { VoiceView } from '@tidy-reel/core/views/speech'
import { speechApi } from '../api/speech.ts'
import { MOOD_CHOICES } from '../sound/mood-choices.ts'

const props = defineProps<{
  /** What the film is set to. */
  film: Pick<Document, 'voice' | 'speed' | 'mood'>
  parsed: ParsedScript
  seconds: number
}>()
defineEmits<{ run: [command: Command]; sheet: [] }>()
const voices = ref<VoiceView[]>([])
onMounted(
  async () =>
    (voices.value = await speechApi.voices().then(
      (list) => list.voices,
      () => [],
    )),
)
/** Those of the film's language; all others are in the Sound room. */
const near = computed(() => {
  const language = baseOf(voices.value.find(({ id }) => id === props.film.voice)?.language ?? 'en')
  return voices.value.filter((voice) => baseOf(voice.language) === language)
})
</script>

<template>
  <ul v-if="parsed.remarks.length" class="red">
    <li v-for="remark in parsed.remarks" :key="remark">{{ remark }}</li>
  </ul>
  <div class="field">
    <label for="voice" class="soft">Voice</label>
    <ElSelect
      id="voice"
      :model-value="film.voice"
      @update:model-value="
        (voice: string) => $emit('run', { type: 'setVoice', voice, speed: film.speed })
      "
    >
      <ElOption
        v-for="voice in near"
        :key="voice.id"
        :value="voice.id"
        :label="`${voice.name}: ${voice.gender}, ${voice.character}`"
      />
    </ElSelect>
    <RouterLink class="more" :to="{ name: 'sound' }">Listen to all voices</RouterLink>
  </div>
  <div class="field">
    <label for="pace" class="soft">Pace</label>
    <ElSelect
      id="pace"
      :model-value="film.speed"
      @update:model-value="
        (speed: number) => $emit('run', { type: 'setVoice', voice: film.voice, speed })
      "
    >
      <ElOption
        v-for="speed in [0.8, 0.9, 1, 1.1, 1.2]"
        :key="speed"
        :value="speed"
        :label="speed === 1 ? 'the voice\'s own' : `${Math.round(speed * 100)} %`"
      />
    </ElSelect>
  </div>
  <div class="field">
    <label for="mood" class="soft">Music</label>
    <ElSelect
      id="mood"
      :model-value="film.mood"
      @update:model-value="(mood: Mood) => $emit('run', { type: 'setMood', mood })"
    >
      <ElOption v-for="[mood, label] in MOOD_CHOICES" :key="mood" :value="mood" :label="label" />
    </ElSelect>
  </div>
  <ElButton type="primary" :disabled="!parsed.scenes.length" @click="$emit('sheet')"
    >Choose pictures and speak</ElButton
  >
  <p class="soft">
    {{
      parsed.scenes.length
        ? `About ${clockText(seconds)} min at this pace.`
        : 'Nothing to speak yet.'
    }}
  </p>
  <details>
    <summary>Markup</summary>
    <dl>
      <dt><code># Heading</code></dt>
      <dd>starts a chapter; shown, never spoken</dd>
      <dt><code>[picture: a harbour at dawn]</code></dt>
      <dd>what the next sentence shows</dd>
      <dt><code>[pause 1.5s]</code></dt>
      <dd>silence after the sentence</dd>
      <dt><code>[super: 1859]</code></dt>
      <dd>words on the picture</dd>
      <dt><code>one | two</code></dt>
      <dd>parts a scene here</dd>
      <dt><code>one. ~ Two.</code></dt>
      <dd>keeps both in one scene</dd>
      <dt><code>KEEPER:</code></dt>
      <dd>names who speaks the paragraph</dd>
    </dl>
  </details>
</template>

<style scoped>
.field {
  display: grid;
  gap: 4px;
}
.el-button {
  width: 100%;
}
.more {
  font-size: 13px;
  color: var(--blue);
}
details {
  border-top: 1px solid var(--hair);
  padding-top: 10px;
}
summary {
  cursor: pointer;
}
dl {
  margin: 8px 0 0;
}
dt code {
  font: 12.5px var(--mono);
  color: var(--blue);
}
dd {
  margin: 0 0 8px;
  color: var(--soft);
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
