<script setup lang="ts">
import { ElCheckbox, ElOption, ElSelect } from 'element-plus'
import { Star } from 'lucide-vue-next'
import { clockText } from '@tidy-reel/core/time/time'
import type { VoiceView } from '@tidy-reel/core/views/speech'
import PlayButton from './PlayButton.vue'
import { languageName, type VoiceFilter } from './use-voices.ts'

defineProps<{
  voices: readonly VoiceView[]
  languages: readonly { code: string; name: string }[]
  accents: readonly string[]
  favourites: readonly string[]
  /** The film's voice, and those set side by side. */
  chosen: string
  compared: readonly string[]
  /** Seconds the film would last with a voice. */
  lasts: (voice: VoiceView) => number
  saying: string
  heard: string
}>()
const filter = defineModel<VoiceFilter>('filter', { required: true })
defineEmits<{
  say: [voice: VoiceView]
  choose: [id: string]
  like: [id: string]
  compare: [id: string]
}>()
const about = ({ gender, age, accent, language }: VoiceView) =>
  [
    gender === 'unknown' ? '' : gender,
    age === 'unknown' || age === 'adult' ? '' : age,
    accent === 'standard' ? languageName(language) : accent,
  ]
    .filter(Boolean)
    .join(', ')
function ratingWords(rating: number): string {
  if (rating < 3) return 'a machine, easy to follow'
  return rating < 4 ? 'clearly a machine, pleasant for long' : 'close to a person'
}
</script>

<template>
  <section aria-label="Voices">
    <div class="filters">
      <ElSelect
        v-model="filter.language"
        aria-label="Language"
        filterable
        :empty-values="[null, undefined]"
        @change="filter.accent = ''"
        ><ElOption value="" label="any language" /><ElOption
          v-for="{ code, name } in languages"
          :key="code"
          :value="code"
          :label="name"
      /></ElSelect>
      <ElSelect v-model="filter.accent" aria-label="Accent" :empty-values="[null, undefined]"
        ><ElOption value="" label="any accent" /><ElOption
          v-for="accent in accents"
          :key="accent"
          :value="accent"
          :label="accent"
      /></ElSelect>
      <ElSelect v-model="filter.gender" aria-label="Gender" :empty-values="[null, undefined]"
        ><ElOption value="" label="any gender" /><ElOption value="female" label="female" /><ElOption
          value="male"
          label="male"
      /></ElSelect>
      <ElSelect v-model="filter.age" aria-label="Age" :empty-values="[null, undefined]"
        ><ElOption value="" label="any age" /><ElOption value="young" label="young" /><ElOption
          value="adult"
          label="adult" /><ElOption value="older" label="older"
      /></ElSelect>
      <ElCheckbox v-model="filter.favourites">Favourites only</ElCheckbox>
    </div>
    <ul>
      <li v-for="voice in voices" :key="voice.id" :class="{ chosen: voice.id === chosen }">
        <PlayButton
          :label="`Hear ${voice.name} say this scene`"
          :name="voice.id"
          :saying
          :heard
          @play="$emit('say', voice)"
        />
        <div class="who">
          <b class="serif">{{ voice.name }}</b>
          <span
            class="rating"
            role="img"
            :title="`${voice.rating} of 5: ${ratingWords(voice.rating)}`"
            :aria-label="`Quality ${voice.rating} of 5`"
            ><i v-for="n in 5" :key="n" :class="{ full: n <= voice.rating }"
          /></span>
          <span class="soft about">{{ about(voice) }}: {{ voice.character }}</span>
        </div>
        <button
          class="plain like"
          :class="{ on: favourites.includes(voice.id) }"
          :aria-pressed="favourites.includes(voice.id)"
          :aria-label="`${voice.name} is a favourite`"
          title="Favourite"
          @click="$emit('like', voice.id)"
        >
          <Star :size="15" :fill="favourites.includes(voice.id) ? 'currentColor' : 'none'" />
        </button>
        <div class="acts">
          <button v-if="voice.id !== chosen" class="plain link" @click="$emit('choose', voice.id)">
            Use</button
          ><span v-else class="soft">the film's</span>
          <button
            class="plain link"
            :aria-pressed="compared.includes(voice.id)"
            @click="$emit('compare', voice.id)"
          >
            {{ compared.includes(voice.id) ? 'Put away' : 'Compare' }}
          </button>
          <span
            v-if="lasts(voice) > 0"
            class="mono"
            :title="`The film would last about ${clockText(lasts(voice))} with ${voice.name}`"
            >{{ clockText(lasts(voice)) }}</span
          >
        </div>
      </li>
    </ul>
    <p v-if="!voices.length" class="soft none">No voice is like that. Take a filter back.</p>
  </section>
</template>

<style scoped>
section {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-right: 1px solid var(--hair);
  background: var(--paper);
}
.filters {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
  padding: 12px 14px;
  border-bottom: 1px solid var(--hair);
}
.filters .el-checkbox {
  grid-column: 1 / -1;
  height: 22px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  overflow: auto;
  flex: 1;
}
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) 18px;
  gap: 4px 10px;
  padding: 8px 14px;
  border-bottom: 1px solid var(--hair);
  align-items: start;
  content-visibility: auto;
  contain-intrinsic-size: auto 78px;
}
.chosen {
  background: var(--wash);
}
.who b {
  font-size: 16px;
  font-weight: 600;
}
.about {
  display: block;
  font-size: 13.5px;
  line-height: 1.3;
}
.rating {
  display: inline-flex;
  gap: 2px;
  margin-left: 6px;
  vertical-align: 2px;
}
.rating i {
  width: 6px;
  height: 6px;
  border: 1px solid var(--soft);
}
.rating .full {
  background: var(--soft);
}
.like {
  color: var(--soft);
  padding-top: 3px;
}
.like.on {
  color: var(--blue);
}
.acts .mono {
  margin-left: auto;
}
.acts {
  grid-column: 2 / -1;
  display: flex;
  gap: 16px;
  font-size: 13.5px;
}
.none {
  padding: 14px;
}
</style>
